# SPDX-License-Identifier: GPL-3.0-or-later
"""Proves an order of work by doing it again, from what is told to the outside: everything in space, and the steps.

It works in millimetres on plain data (``docs/checks.md``) and shares no code with what makes the order: every part comes in on
a way that is free, every fastener is driven and every hole bored while the way to it is free, and nothing is left out.
"""

from __future__ import annotations

from collections.abc import Iterable, Iterator, Sequence
from itertools import pairwise, product
from math import cos, radians, sin
from typing import Any

import numpy as np
from numpy.typing import NDArray

from .replay_reach import clamped, unbrushed

_Boxes = NDArray[np.float64]
#: What may graze, and what slices of slanting parts may, in mm (of our own).
_NEAR, _GRAZE = 0.02, 0.6
#: What is thinner is not there: the last digit that is told (of our own).
_NOTHING = 1e-4
#: How far things are moved away at most, and the step of what is looked at bit by bit (of our own).
_FAR, _BIT = 4_000.0, 8.0
_SLICES = 16
#: Hardware that lies in its part or is clipped together, and is in nobody's way.
_FLAT = {"hinge-cup", "hinge-arm", "clip"}
#: What slanting cuts leave is told by a form.
_SLANTING = {"mitre", "bevel", "corner cut off"}
#: Fasteners with no tool behind them.
_GLUED = {"dowel", "biscuit"}
#: What sets a case in the room: fronts, boxes and loose shelves are out from then until it is adjusted.
_SETS = {"stand", "lift"}
#: The nose of a nailer (common practice).
_NAILER = 3.2


def replay(assembly: Sequence[dict[str, Any]], told: dict[str, Any]) -> list[str]:
    """Return everything that goes wrong when a job is built as told; nothing is the proof of its order.

    Args:
        assembly: everything in space, as ``ablebox assembly`` tells it.
        told: the steps, as ``ablebox steps`` tells them.
    """
    cases: dict[tuple[str, int], _Case] = {}
    for thing in assembly:
        if thing["of"] in ("case", "counter", "base"):
            cases.setdefault((thing["case"], thing["copy"]), _Case(told["reach"])).take(thing)
    for bay in told["bays"]:
        low = np.array(bay["at"])
        cases[bay["case"], bay["copy"]].bays.append(np.array([low, low + np.array(bay["size"])]))
    faults: list[str] = []
    for (letter, copy), case in cases.items():
        own = [step for step in told["steps"] if {"case": letter, "copy": copy} in step["cases"]]
        faults += [f"{letter}.{copy}: {words}" for words in case.build(own)]
    return faults


class _Case:
    def __init__(self, reach: dict[str, list[float]]) -> None:
        self.reach = reach
        self.solids: dict[str, _Boxes] = {}
        self.flat: set[str] = set()
        self.sliced: set[str] = set()
        self.hardware: dict[str, dict[str, Any]] = {}
        self.bays: list[_Boxes] = []
        self.fasteners: dict[str, dict[str, Any]] = {}
        self.holes: dict[str, dict[str, Any]] = {}

    def take(self, thing: dict[str, Any]) -> None:
        """Take an object of the case in, in the case's axes."""
        origin = np.array(thing.get("origin", [0.0, 0.0, 0.0]))
        for part in thing["parts"]:
            self.solids[part["piece"]] = np.array(list(_solid(part))).reshape(-1, 2, 3) + origin
            if "footprint" in part or "tilt" in part or part.get("outline"):
                self.sliced.add(part["piece"])
        for each in thing["hardware"]:
            low = np.array(each["at"]) + origin
            self.hardware[each["id"]] = {**each, "box": np.array([[low, low + np.array(each["size"])]])}
        for each in thing["fasteners"]:
            self.fasteners[each["id"]] = {
                **each,
                "head": np.array(each["head"]) + origin,
                "tip": np.array(each["tip"]) + origin,
            }
        for each in thing["holes"]:
            self.holes[each["id"]] = {**each, "at": np.array(each["at"]) + origin}

    def build(self, steps: Sequence[dict[str, Any]]) -> Iterator[str]:
        """Build the case as told; return what goes wrong."""
        puts = [
            (step["n"], set(put["pieces"]) & self.solids.keys(), put["way"]) for step in steps for put in step["puts"]
        ]
        puts = [row for row in puts if row[1]]
        done: set[str] = set()
        placed: set[str] = set()
        hung: set[str] = set()
        apart: dict[str, set[str]] = {}
        out: set[str] = set()
        finished: set[str] = set()
        at = 0
        for step in steps:
            if step["verb"] in _SETS:
                out |= set(step["pieces"])
            elif step["verb"] == "adjust":
                out.clear()
            for put in step["puts"]:
                pieces = set(put["pieces"]) & self.solids.keys()
                if not pieces:
                    continue
                later = next((row[1] for row in puts[at + 1 :] if row[1] >= pieces), None)
                at += 1
                if later is not None:
                    # What is there with them already; what is made for itself first has a group of its own till it is put to them.
                    group = {piece for piece in later if apart.get(piece) == later}
                    others = group - pieces
                    for piece in pieces:
                        apart[piece] = later
                else:
                    others = placed - pieces
                    placed |= pieces
                others -= out if pieces <= placed else set()
                if others and not self._comes_in(pieces, others, hung, put["way"]):
                    yield f"step {step['n']}: {', '.join(sorted(pieces))} cannot come in"
            for name in step["does"]:
                if name in self.hardware and self.hardware[name]["kind"] not in _FLAT:
                    hung.add(name)
                if name not in done:
                    # What is out is in nobody's way, with the hardware that moves with it.
                    gone = {h for h in hung if set(self.hardware[h]["holds"]) & out & placed}
                    yield from self._done(name, placed - out, apart, hung - gone, step["n"])
                done.add(name)
            yield from self._glued(step, placed, apart)
            if step["verb"] == "take-off":
                out |= set(step["pieces"])
            elif step["verb"] == "finish":
                finished |= set(step["pieces"])
                if not step["pieces"]:
                    standing = {piece: self.solids[piece] for piece in placed - out}
                    for piece in unbrushed(standing, finished, self.bays, self.reach["brush"][1], _goes):
                        yield f"step {step['n']}: no brush reaches all of {piece}"
        for piece in sorted(self.solids.keys() - placed):
            yield f"{piece} is never put in"
        for name, each in self.fasteners.items():
            own = {*each["through"], each["into"]} <= {*self.solids, "wall", "pull", "nut", "hardware"}
            if name not in done and own and each["into"] != "wall":
                yield f"{name}, a {each['kind']}, is never driven"
        for name, each in self.holes.items():
            if name not in done and each["use"] != "pilot" and each["piece"] in self.solids:
                yield f"{name}, a {each['use']} hole in {each['piece']}, is never bored"

    def _glued(self, step: dict[str, Any], placed: set[str], apart: dict[str, set[str]]) -> Iterator[str]:
        """Look for clamps across every joint that a step glues with dowels or biscuits: at one of them at least."""
        joints: dict[frozenset[str], list[dict[str, Any]]] = {}
        for name in step["does"]:
            each = self.fasteners.get(name)
            if each is not None and each["kind"] in _GLUED:
                joints.setdefault(frozenset((*each["through"], each["into"])), []).append(each)
        for pieces, rows in joints.items():
            # What is put together for itself is glued there.
            groups = [apart.get(piece) for piece in pieces]
            alone = groups[0] is not None and all(group == groups[0] for group in groups)
            there = self._with(sorted(pieces), set() if alone else placed, apart)
            if not pieces <= there:
                continue
            own, others = [self.solids[p] for p in sorted(pieces)], [self.solids[p] for p in sorted(there - pieces)]
            ways = [(each, int(np.argmax(np.abs(each["head"] - each["tip"])))) for each in rows]
            if not any(
                clamped((each["head"] + each["tip"]) / 2, axis, own, others, self.reach["clamp"]) for each, axis in ways
            ):
                yield f"step {step['n']}: no clamp reaches across {' and '.join(sorted(pieces))}"

    @staticmethod
    def _with(pieces: Sequence[str], placed: set[str], apart: dict[str, set[str]]) -> set[str]:
        """Return what stands where some pieces are: in the case, or with what is put together for itself."""
        if any(piece in placed for piece in pieces):
            return placed
        return {piece for piece, group in apart.items() if any(apart.get(p) == group for p in pieces)}

    # Ways in

    def _boxes(self, pieces: Iterable[str], hung: Iterable[str]) -> _Boxes:
        rows = [self.solids[piece] for piece in pieces]
        there = set(pieces)
        rows += [self.hardware[name]["box"] for name in hung if there & set(self.hardware[name]["holds"])]
        return np.concatenate(rows) if rows else np.zeros((0, 2, 3))

    def _comes_in(self, pieces: set[str], others: set[str], hung: set[str], way: Sequence[Any]) -> bool:
        """Whether pieces come in among others as told, found by moving them out again."""
        moves = {name for name in hung if set(self.hardware[name]["holds"]) <= pieces}
        mine = self._boxes(pieces, moves)
        rest = self._boxes(others, hung - moves)
        graze = _GRAZE if (pieces | others) & self.sliced else _NEAR
        mine = np.stack([mine[:, 0] + graze / 2, mine[:, 1] - graze / 2], axis=1)
        if not way:
            return False
        if isinstance(way[-1], dict):
            return len(mine) == 1 and self._tips(mine[0], rest, np.array(way[0]), "xyz".index(way[-1]["tip"]))
        return _goes(mine, rest, [-np.array(move) for move in reversed(way)])

    def _tips(self, part: _Boxes, rest: _Boxes, into: NDArray[np.float64], axis: int) -> bool:
        """Whether a flat part passes on its way in, tipped about an axis and then laid level."""
        size = part[1] - part[0]
        flat = int(np.argmin(size))
        end = 3 - flat - axis
        sign = -float(into[axis])
        beside = rest[(rest[:, 0, axis] < part[1, axis]) & (rest[:, 1, axis] > part[0, axis])]
        before = rest[rest[:, 1, axis] > part[0, axis]] if sign > 0 else rest[rest[:, 0, axis] < part[1, axis]]
        for turn in (1, -1):
            for angle in range(2, 86, 2):
                places = [at for at in _turned(part, end, flat, angle, turn) if not _crosses(at, beside, end, flat)]
                if not places:
                    break
                if any(not _crosses(at, before, end, flat) for at in places):
                    return True
        return False

    # Tools

    def _done(self, name: str, placed: set[str], apart: dict[str, set[str]], hung: set[str], n: int) -> Iterator[str]:
        """Look at something that is done: whether a tool reaches it."""
        if name in self.fasteners:
            each = self.fasteners[name]
            pieces = [*each["through"], each["into"]]
            if each["kind"] in _GLUED:
                return
            out = each["head"] - each["tip"]
            start, own, tools = each["head"], set(pieces[:1]), ("driver", "right_angle")
        elif name in self.holes:
            each = self.holes[name]
            pieces, out, start, own, tools = (
                [each["piece"]],
                -np.array(each["axis"]),
                each["at"],
                {each["piece"]},
                ("drill", "right_angle"),
            )
            if each["use"] == "pilot":
                return
        else:
            return
        there = self._with(pieces, placed, apart)
        if not any(piece in there for piece in pieces):
            return
        rest = self._boxes(there - own, {h for h in hung if not own & set(self.hardware[h]["holds"])})
        unit = out / float(np.linalg.norm(out))
        nail = name in self.fasteners and self.fasteners[name]["kind"] == "nail"
        if not any(_free(start, unit, *self._room(tool, nail), rest) for tool in tools):
            yield f"step {n}: no tool reaches {name} in {', '.join(pieces)}"

    def _room(self, tool: str, nail: bool) -> tuple[float, float]:
        long, wide = self.reach[tool]
        return long, _NAILER if nail and tool == "driver" else wide


def _solid(part: dict[str, Any]) -> Iterator[list[list[float]]]:
    """Return the boxes a part is made of."""
    low, size = part["at"], part["size"]
    box = [list(low), [a + b for a, b in zip(low, size, strict=True)]]
    if "footprint" in part:
        yield from _of_ring(part["footprint"], box)
        return
    if "tilt" in part:
        rise, thick = part["tilt"]["rise"], part["tilt"]["thickness"]
        for i in range(_SLICES):
            a, b = i / _SLICES, (i + 1) / _SLICES
            y0, y1 = box[0][1] + size[1] * a, box[0][1] + size[1] * b
            bottom, top = box[0][2] + rise * b, min(box[0][2] + rise * a + thick, box[1][2])
            if bottom < top:
                yield [[box[0][0], y0, bottom], [box[1][0], y1, top]]
        return
    formed = bool(part.get("outline"))
    left = [box]
    for cut in part["cuts"]:
        if formed and cut["kind"] in _SLANTING:
            continue
        gap = [cut["at"], [a + b for a, b in zip(cut["at"], cut["size"], strict=True)]]
        left = [piece for each in left for piece in _less(each, gap)]
    yield from left


def _less(box: list[list[float]], gap: Sequence[Sequence[float]]) -> list[list[list[float]]]:
    """Return what a box has left when another is taken out of it."""
    if any(gap[0][a] >= box[1][a] - _NOTHING or gap[1][a] <= box[0][a] + _NOTHING for a in range(3)):
        return [box]
    found, rest = [], [list(box[0]), list(box[1])]
    for a in range(3):
        if gap[0][a] > rest[0][a] + _NOTHING:
            found.append([list(rest[0]), [gap[0][a] if k == a else rest[1][k] for k in range(3)]])
            rest[0][a] = gap[0][a]
        if gap[1][a] < rest[1][a] - _NOTHING:
            found.append([[gap[1][a] if k == a else rest[0][k] for k in range(3)], list(rest[1])])
            rest[1][a] = gap[1][a]
    return found


def _of_ring(ring: Sequence[Sequence[float]], box: list[list[float]]) -> Iterator[list[list[float]]]:
    """Return slices inside a form seen from above."""
    points = np.array(ring)
    edges = np.linspace(points[:, 0].min(), points[:, 0].max(), _SLICES + 1)

    def span(x: float) -> tuple[float, float]:
        met = []
        for (ax, ay), (bx, by) in zip(points, np.roll(points, -1, 0), strict=True):
            if min(ax, bx) <= x <= max(ax, bx):
                met += [ay, by] if ax == bx else [ay + (by - ay) * (x - ax) / (bx - ax)]
        return min(met), max(met)

    for x0, x1 in pairwise(edges):
        (a, b), (c, d) = span(float(x0)), span(float(x1))
        if max(a, c) < min(b, d):
            yield [[float(x0), max(a, c), box[0][2]], [float(x1), min(b, d), box[1][2]]]


def _hit(mine: _Boxes, rest: _Boxes) -> NDArray[np.bool_]:
    """Return which boxes have space in common with which."""
    return np.asarray(
        (mine[:, None, 0] < rest[None, :, 1] - _NEAR).all(2) & (rest[None, :, 0] < mine[:, None, 1] - _NEAR).all(2)
    )


def _swept(mine: _Boxes, by: NDArray[np.float64]) -> _Boxes:
    """Return the boxes some boxes pass through, moved along an axis."""
    return np.stack([np.minimum(mine[:, 0], mine[:, 0] + by), np.maximum(mine[:, 1], mine[:, 1] + by)], axis=1)


def _goes(mine: _Boxes, rest: _Boxes, moves: list[NDArray[np.float64]]) -> bool:
    """Whether boxes go away by moves in a row, each as far as it takes, the last as far as one likes."""
    move = moves[0]
    at_rest = _hit(mine, rest)
    if (np.abs(move) > 1e-6).sum() > 1:
        steps = np.arange(_BIT, _FAR / 3, _BIT)
        return len(moves) == 1 and all(not (_hit(mine + move * far, rest) & ~at_rest).any() for far in steps)
    if len(moves) == 1:
        return not (_hit(_swept(mine, move * _FAR), rest) & ~at_rest).any()
    axis = int(np.argmax(np.abs(move)))
    ahead = (
        rest[None, :, 0, axis] - mine[:, None, 1, axis]
        if move[axis] > 0
        else mine[:, None, 0, axis] - rest[None, :, 1, axis]
    )
    clear = (
        rest[None, :, 1, axis] - mine[:, None, 0, axis]
        if move[axis] > 0
        else mine[:, None, 1, axis] - rest[None, :, 0, axis]
    )
    stops = np.unique(np.round(np.concatenate([ahead[ahead > 0.1].ravel(), clear[clear > 0.1].ravel() + 0.05]), 3))
    for far in stops[::-1]:
        if (_hit(_swept(mine, move * far), rest) & ~at_rest).any():
            continue
        if _goes(mine + move * far, rest, moves[1:]):
            return True
    return False


def _turned(part: _Boxes, end: int, flat: int, angle: int, turn: int) -> Iterator[NDArray[np.float64]]:
    """Return the corners of a section turned by an angle, at some places."""
    long, thick = part[1, end] - part[0, end], part[1, flat] - part[0, flat]
    a = radians(angle) * turn
    square = np.array([[0, 0], [long, 0], [long, thick], [0, thick]], float)
    spun = square @ np.array([[cos(a), sin(a)], [-sin(a), cos(a)]])
    spun -= spun.min(0)
    spare = long - spun[:, 0].max()
    for lift, shift in product((0.0, 1.5, 3.0, 6.0, 10.0, 17.0, 25.0), np.linspace(0.0, 1.0, 5)):
        yield spun + np.array([part[0, end] + spare * shift, part[0, flat] + lift])


def _crosses(corners: NDArray[np.float64], rest: _Boxes, end: int, flat: int) -> bool:
    """Whether a turned section meets any of some boxes, seen along the axis of its turn."""
    if not len(rest):
        return False
    rects = np.stack([rest[:, 0, end], rest[:, 0, flat], rest[:, 1, end], rest[:, 1, flat]], axis=1)
    points = np.stack([rects[:, [0, 1]], rects[:, [2, 1]], rects[:, [2, 3]], rects[:, [0, 3]]], axis=1)
    met = np.ones(len(rects), np.bool_)
    for line in (np.array([1.0, 0.0]), np.array([0.0, 1.0]), corners[1] - corners[0], corners[3] - corners[0]):
        unit = line / np.linalg.norm(line)
        own, other = corners @ unit, points @ unit
        met &= (other.min(1) < own.max() - 0.1) & (other.max(1) > own.min() + 0.1)
    return bool(met.any())


def _free(start: NDArray[np.float64], out: NDArray[np.float64], long: float, wide: float, rest: _Boxes) -> bool:
    """Whether a tool so long and wide stands free, looked at in thin slices from its work outwards."""
    if not len(rest):
        return True
    half = wide / 2
    places = np.linspace(half + 0.1, long, max(2, int(long / 4)))
    middles = start[None] + out[None] * places[:, None]
    gap = np.maximum(rest[None, :, 0] - middles[:, None], middles[:, None] - rest[None, :, 1])
    near = (np.maximum(gap, 0.0) ** 2).sum(2)
    return not (near < (half * 0.98) ** 2).any()
