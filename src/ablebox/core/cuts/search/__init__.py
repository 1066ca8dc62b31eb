# SPDX-License-Identifier: GPL-3.0-or-later
"""The search for cut plans: quick constructions first, then ruin and recreate."""
