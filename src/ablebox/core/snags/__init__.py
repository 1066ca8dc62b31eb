# SPDX-License-Identifier: GPL-3.0-or-later
"""Mistakes caught on paper: one module a concern, one small function a check.

To add a check: write a function that takes what was made and yields snags, and put it into
the ``CHECKS`` of its module; ``every`` walks all modules.
"""
