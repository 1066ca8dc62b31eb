# SPDX-License-Identifier: GPL-3.0-or-later
"""Lays out what holds a case together: each joint's fasteners in space, and the holes that follow from them."""
