# SPDX-License-Identifier: GPL-3.0-or-later
"""The reckoning heart: no interface code, no clock, no dialogs."""
