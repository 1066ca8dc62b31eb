# SPDX-License-Identifier: GPL-3.0-or-later
"""Commands without the window, one module each."""
