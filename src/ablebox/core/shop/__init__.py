# SPDX-License-Identifier: GPL-3.0-or-later
"""What follows from a project: cases as built, parts, what to cut from what."""
