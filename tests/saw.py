# SPDX-License-Identifier: GPL-3.0-or-later
"""A saw: it knows boards, kerf, four edges and grain, and is told only what a person is told.

It reads the order of work as ``ablebox plan --json`` gives it and cuts. It shares no code with what makes the order.
"""

from __future__ import annotations

from dataclasses import dataclass, field
from typing import Any

#: What two sizes may differ by, in mm: the last digit that is written.
NEAR = 2e-6


@dataclass
class Wood:
    """A piece of wood: where it lies on its sheet, x and y, and its edges by axis and side."""

    box: list[list[float]]
    edges: list[list[str]]

    def size(self, axis: int) -> float:
        return self.box[axis][1] - self.box[axis][0]


@dataclass
class Bench:
    """What a person has after some cuts of one sheet, by name."""

    wood: dict[str, Wood]
    kerf: float
    parts: dict[str, Wood] = field(default_factory=dict)
    kept: dict[str, Wood] = field(default_factory=dict)
    lines: list[tuple[int, float, Wood]] = field(default_factory=list)
    faults: list[str] = field(default_factory=list)

    def cut(self, told: dict[str, Any], rough: bool) -> None:
        """Make one cut as it is told."""
        name, faults = told["strip"], self.faults
        where = f"cut {told['n']} of “{name}”"
        board = self.wood.pop(name, None)
        if board is None:
            faults.append(f"{where}: there is no such board")
            return
        axis = 1 if told["along"] == "length" else 0
        low = told["edge"]["at"] == "low"
        edge = board.edges[axis][0 if low else 1]
        if edge != told["edge"]["is"]:
            faults.append(f"{where}: the edge is {edge}, told {told['edge']['is']}")
        setting, (start, end) = told["setting_mm"], board.box[axis]
        if setting <= NEAR or setting >= board.size(axis) - NEAR:
            faults.append(f"{where}: set at {setting}, the board is {board.size(axis)}")
            return
        if edge == "rough" and not rough:
            # Only a first edge may be cut along a rough one: what is sawn then is not yet true to anything but itself.
            again = told["kind"] == "true"
            if not again:
                faults.append(f"{where}: cut to size from a rough edge")
        new = "rough" if told["kind"] == "rough" else "sawn"
        if low:
            kept, rest = (start, start + setting), (start + setting + self.kerf, end)
        else:
            kept, rest = (end - setting, end), (start, end - setting - self.kerf)
        found = []
        for span, kept_side in ((kept, True), (rest, False)):
            if span[1] - span[0] > NEAR:
                box = [list(each) for each in board.box]
                box[axis] = list(span)
                edges = [list(each) for each in board.edges]
                edges[axis][1 if kept_side == low else 0] = new
                found.append(Wood(box, edges))
        line = kept[1] if low else kept[0]
        self.lines.append((axis, line + (self.kerf / 2 if low else -self.kerf / 2), board))
        if len(found) != len(told["gives"]):
            faults.append(f"{where}: gives {len(found)} boards, told {len(told['gives'])}")
            return
        for wood, given in zip(found, told["gives"], strict=True):
            at, size = [wood.box[0][0], wood.box[1][0]], [wood.size(0), wood.size(1)]
            if any(
                abs(a - b) > NEAR
                for a, b in zip(at + size, [*given["at"], given["length"], given["width"]], strict=True)
            ):
                faults.append(f"{where}: gives {at} {size}, told {given}")
            self._put(wood, given, where)

    def _put(self, wood: Wood, given: dict[str, Any], where: str) -> None:
        name, what = given["strip"], given["is"]
        if name in self.wood or name in self.kept or name in self.parts:
            self.faults.append(f"{where}: there is a “{name}” already")
        if what == "part":
            self.parts[given["piece"]] = wood
        elif what == "keep":
            self.kept[name] = wood
        elif what == "strip":
            self.wood[name] = wood
        # Scrap is thrown away.


def sawn(sheet: dict[str, Any], sizes: dict[str, tuple[float, float, bool]], least: float) -> Bench:
    """Cut a sheet and return what came of it, every fault in words.

    Args:
        sheet: the sheet as told: size, kerf, order, parts and what is left.
        sizes: of each piece its length, width, and whether its length runs along the sheet's.
        least: least side of an offcut that is kept.
    """
    whole = Wood([[0.0, sheet["length"]], [0.0, sheet["width"]]], [["factory"] * 2, ["factory"] * 2])
    bench = Bench({"": whole}, sheet["kerf"])
    last = 0
    for told in sheet["order"]:
        if told["n"] <= last:
            bench.faults.append(f"cut {told['n']} comes after {last}")
        last = told["n"]
        bench.cut(told, told["kind"] == "rough")
        _reach(told, bench)
    faults = bench.faults
    spots = {part["piece"]: part for part in sheet["parts"]}
    if not sheet["order"] and len(spots) == 1:
        bench.parts[next(iter(spots))] = bench.wood.pop("")
    if set(bench.parts) != set(spots):
        faults.append(f"pieces {sorted(set(spots) ^ set(bench.parts))} are missing or too many")
    for piece, wood in bench.parts.items():
        length, width, fixed = sizes[piece]
        turned = spots[piece]["turned"] if piece in spots else False
        want = (width, length) if turned else (length, width)
        if any(abs(wood.size(axis) - want[axis]) > NEAR for axis in (0, 1)):
            faults.append(f"{piece} is {wood.size(0)} x {wood.size(1)}, wanted {want}")
        if fixed and turned:
            faults.append(f"{piece} lies against its grain")
        if "rough" in (*wood.edges[0], *wood.edges[1]):
            faults.append(f"{piece} has a rough edge")
        for axis, at, board in bench.lines:
            inside = all(
                board.box[k][0] <= wood.box[k][0] + NEAR and wood.box[k][1] <= board.box[k][1] + NEAR for k in (0, 1)
            )
            if inside and wood.box[axis][0] + NEAR < at < wood.box[axis][1] - NEAR:
                faults.append(f"a line runs through {piece}")
    if bench.wood:
        faults.append(f"{sorted(bench.wood)} are left and nobody says what for")
    told_left = {row["strip"]: row for row in sheet.get("left", [])}
    for name, wood in bench.kept.items():
        row = told_left.get(name)
        if row is None or abs(row["length"] - wood.size(0)) > NEAR or abs(row["width"] - wood.size(1)) > NEAR:
            faults.append(f"offcut {name} is {wood.size(0)} x {wood.size(1)}, told {row}")
        if min(wood.size(0), wood.size(1)) < least - NEAR:
            faults.append(f"offcut {name} is smaller than the least")
    return bench


def _reach(told: dict[str, Any], bench: Bench) -> None:
    """What is ripped along a fence is long enough to lie against it (12 in, common practice)."""
    if told["with"] == "fence" and told["gives"]:
        kept = told["gives"][0]
        long = kept["length"] if told["along"] == "length" else kept["width"]
        if long < 304.8 - NEAR or long < told["setting_mm"] - NEAR:
            bench.faults.append(f"cut {told['n']}: {long} along the fence, set at {told['setting_mm']}")
