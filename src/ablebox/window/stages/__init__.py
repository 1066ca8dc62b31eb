# SPDX-License-Identifier: GPL-3.0-or-later
"""The stages of the work, one module each."""
