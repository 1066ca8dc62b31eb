# SPDX-License-Identifier: GPL-3.0-or-later
"""Able Box: from a measured space to cabinet parts and sheets on the saw."""

__version__ = "0.2.0"
