# SPDX-License-Identifier: GPL-3.0-or-later
"""Drawings, made once without any interface, in millimetres, and replayed to screen and paper.

``shapes`` holds what a drawing is made of, ``replay`` puts it on any canvas, the other modules
each make one kind of drawing. Lengths turn into floats here, for drawing only.
"""
