# SPDX-License-Identifier: GPL-3.0-or-later
"""How far the buying of each thing has come, as it is kept with a project."""
