# SPDX-License-Identifier: GPL-3.0-or-later
"""A part that is only cut to size: nothing is banded, cut or bored, and it has no hand."""

from __future__ import annotations

from ..assembly.part import Hand
from ..reckoning import Reckoned
from ..stock import Goods, Grain
from ..units import Units
from .listing import Part


def bare_part(
    code: str, name: str, roles: tuple[str, ...], goods: Goods, length: Reckoned, width: Reckoned, grain: Grain,
    units: Units,
) -> Part:  # fmt: skip
    """Return such a part; what stands before its code's number is what its places begin with.

    Args:
        code: its code, such as ``x-02``.
        name: what it is.
        roles: its places, one for each piece.
        goods: what it is cut from.
        length: of it.
        width: of it.
        grain: which way the grain runs, where the stock has any.
        units: how sizes are written.
    """
    return Part(
        code=code,
        case=code.partition("-")[0],
        name=name,
        roles=roles,
        goods=goods,
        length=length,
        width=width,
        thickness=goods.reckoned_thickness("thickness", units),
        cut_length=length,
        cut_width=width,
        grain=grain if goods.grained else Grain.ANY,
        hand=Hand.NONE,
        bands=(),
        machining=(),
        shows=None,
        axes=(0, 1, 2),
    )
