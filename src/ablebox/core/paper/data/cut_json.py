# SPDX-License-Identifier: GPL-3.0-or-later
"""A saw cut as plain data, in millimetres."""

from __future__ import annotations

from collections.abc import Collection, Sequence
from typing import Any

from ...cuts.divide import CutWay
from ...cuts.saw_cut import Becomes, Given, SawCut
from .bare_plan import mm


def cut_tree(n: int, cut: SawCut, names: Sequence[str], keep: Collection[str]) -> dict[str, Any]:
    """Return a cut as plain data.

    Args:
        n: its number in the order of work.
        cut: the cut.
        names: the piece of each spot of the sheet.
        keep: names of what is left over and kept.
    """
    return {
        "n": n,
        "strip": cut.strip,
        "kind": cut.kind.value,
        "with": cut.by.value,
        "setting_mm": mm(cut.setting),
        "along": "length" if cut.way is CutWay.RIP else "width",
        "edge": {"at": "low" if cut.low else "high", "is": cut.edge.value},
        "gives": [_given(given, names, keep) for given in cut.gives],
    }


def _given(given: Given, names: Sequence[str], keep: Collection[str]) -> dict[str, Any]:
    board, kind = given.board, given.what
    if given.over:
        kind = Becomes.KEEP if given.strip in keep else Becomes.SCRAP
    tree = {
        "strip": given.strip, "at": [mm(board.x), mm(board.y)], "length": mm(board.length), "width": mm(board.width), "is": kind.value,
    }  # fmt: skip
    if given.spot >= 0:
        tree["piece"] = names[given.spot]
    return tree
