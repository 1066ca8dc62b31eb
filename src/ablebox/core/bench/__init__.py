# SPDX-License-Identifier: GPL-3.0-or-later
"""The bench: in which order a case is built, worked out from the design and proven in space; gates, jigs, and how it came out."""
