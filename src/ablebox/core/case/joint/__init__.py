# SPDX-License-Identifier: GPL-3.0-or-later
"""How one panel meets another: one module a joint.

A joint answers three questions: how far the entering panel reaches into the other (``reach``),
what is cut into the other for it (``kind``), and what is bought to hold it (``fasteners``).
"""
