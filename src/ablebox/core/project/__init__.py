# SPDX-License-Identifier: GPL-3.0-or-later
"""The document: what people chose and measured. Everything else is derived from it."""
