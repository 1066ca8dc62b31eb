# SPDX-License-Identifier: GPL-3.0-or-later
"""Ways out: what stands in whose way, and how something comes out among others, straight, round a corner or tipped."""
