# SPDX-License-Identifier: GPL-3.0-or-later
"""What closes one cell of a face: a door, a pair, a drawer, a false front, a flap, or nothing; one module each."""
