# SPDX-License-Identifier: GPL-3.0-or-later
"""Widgets that any stage may use."""
