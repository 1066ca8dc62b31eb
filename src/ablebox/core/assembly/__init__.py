# SPDX-License-Identifier: GPL-3.0-or-later
"""Parts placed in space: what a built case is, and the proof that it can be.

Space is measured from the case's left front floor corner: x to the right, y to the back,
z up. Doors stand in front of it, at negative y.
"""
