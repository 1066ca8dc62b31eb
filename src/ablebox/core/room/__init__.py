# SPDX-License-Identifier: GPL-3.0-or-later
"""The space as measured: what was read, how, and what may stand in it."""
