# SPDX-License-Identifier: GPL-3.0-or-later
"""The time a job has: hours, helpers, noise, warmth, glue, other trades, as they are chosen and kept with a project."""
