# SPDX-License-Identifier: GPL-3.0-or-later
"""What sets other things: distances of fences and jigs, and the spacer blocks cut to them."""
