# SPDX-License-Identifier: GPL-3.0-or-later
"""What leaves the program: shop book, cut list, plans and parts as data."""
