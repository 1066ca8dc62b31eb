# SPDX-License-Identifier: GPL-3.0-or-later
"""Labels for what is on the material."""
