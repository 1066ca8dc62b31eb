# SPDX-License-Identifier: GPL-3.0-or-later
"""The log: what was done, decided, learnt and is still open, entry by entry."""
