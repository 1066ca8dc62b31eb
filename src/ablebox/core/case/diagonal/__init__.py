# SPDX-License-Identifier: GPL-3.0-or-later
"""What a corner case with its face across is built of: its outlines, carcass, shelves and kick board."""
