# SPDX-License-Identifier: GPL-3.0-or-later
"""How an end of a case looks where it is seen; where a neighbour or a wall hides it, nothing is made of it."""
