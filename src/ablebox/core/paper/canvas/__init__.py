# SPDX-License-Identifier: GPL-3.0-or-later
"""What pages are written on: strokes that are recorded, PDF, SVG, sizes of paper."""
