# SPDX-License-Identifier: GPL-3.0-or-later
"""The shop book, a module a chapter."""
