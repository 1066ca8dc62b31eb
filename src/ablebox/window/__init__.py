# SPDX-License-Identifier: GPL-3.0-or-later
"""The window. Qt lives here and nowhere else."""
