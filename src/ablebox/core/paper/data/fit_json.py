# SPDX-License-Identifier: GPL-3.0-or-later
"""The fitting as plain data, for checks from outside, in millimetres; the format is told in ``docs/checks.md``."""

from __future__ import annotations

from typing import Any

from ...bench.bench import Bench
from ...bench.verb import What
from ...lengths import Length
from ...shop.objects import Pieces, objects
from ...ways.way import Move
from .parts_json import mm

_AXES = "xyz"


def fit_tree(bench: Bench) -> dict[str, Any]:
    """Return the fitting of a job: level lines, what is packed, what holds cases to the building, the order of going in."""
    fit, made = bench.fit, bench.made
    pieces = Pieces(made.parts)
    numbers = {
        letter: job.n for job in bench.steps for letter, step in job.rows if step.what in (What.STAND, What.HANG_UP)
    }
    feet: dict[str, dict[int, str]] = {}

    def foot(letter: str, number: int) -> str:
        if letter not in feet:
            assembly = made.assembly(letter)
            own = {id(each): i for i, each in enumerate(assembly.fittings)}
            feet[letter] = {
                own[id(each)]: name for one in objects(made, assembly, 1, pieces) for name, each in one.fittings
            }
        return feet[letter][number]

    return {
        "level": [
            {
                "room": each.room, "wall": each.wall, "line_mm": mm(each.line), "highest": [mm(at) for at in each.highest],
            }
            for each in fit.lines
        ],
        "shims": [
            {
                "case": each.letter, "copy": 1,
                "of": pieces.piece(each.letter, each.role, 1) if each.role is not None else foot(each.letter, each.fitting),
                "at": [mm(each.at[0]), mm(each.at[1])], "thickness_mm": mm(each.thickness),
            }
            for each in fit.shims
        ],
        "anchors": [
            {
                "case": each.letter, "copy": 1, "at": [mm(Length(at)) for at in each.fastener.head], "axis": _AXES[each.axis],
                "into": each.holds.value, "screw": each.fastener.name, "length_mm": mm(each.length), "into_mm": mm(each.goes),
            }
            for each in fit.anchors
        ],
        "order": [
            {
                "n": numbers[each.letter], "case": each.letter, "copy": 1, "hands": each.hands,
                "after": [numbers[other] for other in each.after if other in numbers],
                "way": None if each.way is None else [_unit(move) for move in each.way],
            }
            for each in fit.order if each.letter in numbers
        ],
    }  # fmt: skip


def _unit(move: Move) -> list[float]:
    """Return a move as a unit vector."""
    way = [0.0, 0.0, 0.0]
    way[move.axis] = float(move.sign)
    return way
