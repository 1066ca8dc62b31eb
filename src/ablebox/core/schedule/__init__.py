# SPDX-License-Identifier: GPL-3.0-or-later
"""The plan of days: how long steps take, when each is done, and by when all is."""
