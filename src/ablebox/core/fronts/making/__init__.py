# SPDX-License-Identifier: GPL-3.0-or-later
"""How a leaf is made: a slab, or a frame with a panel; one module each."""
