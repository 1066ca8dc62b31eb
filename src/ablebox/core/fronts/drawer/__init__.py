# SPDX-License-Identifier: GPL-3.0-or-later
"""Drawer boxes and the slides they run on."""
