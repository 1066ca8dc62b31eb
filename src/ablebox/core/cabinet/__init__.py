# SPDX-License-Identifier: GPL-3.0-or-later
"""A whole case: its design, with one choice of school for each thing, and how it is built."""
