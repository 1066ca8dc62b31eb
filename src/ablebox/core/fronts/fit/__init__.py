# SPDX-License-Identifier: GPL-3.0-or-later
"""How fronts meet what is behind them: over it, half over it, inside it; one module each.

A fit says how far a front reaches beyond the edges of its opening (its overlay, negative when
it stands inside), what is kept between two fronts, and where a front stands front to back.
"""
