# SPDX-License-Identifier: GPL-3.0-or-later
"""Cases side by side: whose width follows from the space, and what that comes to."""
