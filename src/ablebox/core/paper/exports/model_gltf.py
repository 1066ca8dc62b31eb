# SPDX-License-Identifier: GPL-3.0-or-later
"""The whole job as one open 3D file: glTF 2.0 (Khronos Group, from memory), in metres, y up, every part a node of its own with its code.

Walls with corners between them stand as they do in the room, a corner counted as square; walls by themselves, islands and cases that
stand in no run stand beside each other. Grooves, notches and cut-outs are in the parts, holes are not.
"""

from __future__ import annotations

import base64
import json
import struct
from collections.abc import Iterator, Sequence
from typing import Any

from ezdxf.math.triangulation import mapbox_earcut_2d

from ...assembly.part import Assembly, Placed
from ...assembly.solid import Box
from ...cabinet.design import Case
from ...lengths import TICKS_PER_MM
from ...project.placed import STRIP
from ...shop.made import Made
from ...shop.objects import Pieces
from ...shop.standing import corners, standing
from ...ways.cells import cells

_Point = tuple[float, float, float]
#: Between what stands by itself, in mm.
_APART = 1500.0
#: Wood, and the tints of the cases, as linear colours.
_WOOD = (
    (0.86, 0.72, 0.48),
    (0.80, 0.62, 0.55),
    (0.62, 0.70, 0.78),
    (0.66, 0.76, 0.62),
    (0.74, 0.66, 0.80),
    (0.82, 0.76, 0.52),
)


def gltf(made: Made) -> bytes:
    """Return the job as glTF with its data within."""
    return (json.dumps(_Model(made).tree(), separators=(",", ":"), ensure_ascii=False) + "\n").encode("utf-8")


class _Model:
    def __init__(self, made: Made) -> None:
        self.made = made
        self.pieces = Pieces(made.parts)
        self.data = bytearray()
        self.views: list[dict[str, Any]] = []
        self.accessors: list[dict[str, Any]] = []
        self.meshes: list[dict[str, Any]] = []
        self.nodes: list[dict[str, Any]] = []

    def tree(self) -> dict[str, Any]:
        """Return the file as plain data."""
        tops = [self._case(case, assembly, copy, at) for case, assembly, copy, at in self._places()]
        tops += self._strips()
        self.nodes.append({"name": self.made.project.name, "children": tops})
        materials = [
            {"name": f"wood {i + 1}", "pbrMetallicRoughness": {"baseColorFactor": [*colour, 1.0], "metallicFactor": 0.0, "roughnessFactor": 0.9}, "doubleSided": True}
            for i, colour in enumerate(_WOOD)
        ]  # fmt: skip
        return {
            "asset": {"version": "2.0", "generator": "Able Box"},
            "scene": 0,
            "scenes": [{"nodes": [len(self.nodes) - 1]}],
            "nodes": self.nodes,
            "meshes": self.meshes,
            "materials": materials,
            "accessors": self.accessors,
            "bufferViews": self.views,
            "buffers": [{"byteLength": len(self.data), "uri": "data:application/octet-stream;base64," + base64.b64encode(bytes(self.data)).decode("ascii")}],
        }  # fmt: skip

    # Where everything stands

    def _frames(self) -> dict[int, tuple[int, float, float]]:
        """Return for each wall how often it is turned, and where its left end is, in mm."""
        joined = {after.number: (before.number, long.mm) for before, after, long in corners(self.made)}
        found: dict[int, tuple[int, float, float]] = {}
        aside = 0.0
        for room in self.made.rooms:
            if room.number in joined:
                before, long = joined[room.number]
                quarters, x, y = found[before]
                dx, dy = _turned((long, 0.0), quarters)
                found[room.number] = (quarters + 1, x + dx, y + dy)
            else:
                found[room.number] = (0, aside, 0.0)
            ends = [place.end.mm for upper in (False, True) for place in self.made.line(room.number, upper).places]
            aside = max([aside, found[room.number][1] + max(ends, default=0.0)]) + _APART
        return found

    def _places(self) -> Iterator[tuple[Case, Assembly, int, tuple[int, float, float, float]]]:
        """Return every case as often as it is made: its turns, and where its corner is."""
        frames, aside = self._frames(), 0.0
        for case, assembly in self.made.built:
            place = self.made.place(case.letter)
            wide, deep = assembly.outside[0].length.mm, assembly.outside[2].length.mm
            for copy in range(1, case.copies + 1):
                if place is None or copy > 1:
                    yield case, assembly, copy, (0, aside, -4000.0 - deep, 0.0)
                    aside += wide + 300.0
                    continue
                quarters, x, y = frames[case.wall]
                own = -case.turned % 4
                # Its corner in the axes of its wall, once it is turned within the place it takes.
                corner = {0: (0.0, -deep), 1: (0.0, 0.0), 2: (wide, 0.0), 3: (deep, -wide)}[own]
                dx, dy = _turned((place.case_x.mm + corner[0], corner[1]), quarters)
                yield case, assembly, copy, (quarters + own, x + dx, y + dy, place.low.mm)

    # Nodes

    def _case(self, case: Case, assembly: Assembly, copy: int, at: tuple[int, float, float, float]) -> int:
        tint = sum(map(ord, case.letter)) % len(_WOOD)
        children = [self._part(part, self.pieces.piece(case.letter, part.role, copy), tint) for part in assembly.parts]
        name = f"{case.letter} {case.name}" + (f" {copy}" if case.copies > 1 else "")
        return self._moved(name, children, at)

    def _strips(self) -> list[int]:
        found, frames = [], self._frames()
        for room in self.made.rooms:
            loose = [part for each in standing(self.made, room.number) if not each.letter for part in each.parts]
            if loose:
                children = [self._part(part, self._strip(part), 0) for part in loose]
                quarters, x, y = frames[room.number]
                found.append(self._moved(f"strips, {room.wall.name}", children, (quarters, x, y, 0.0)))
        return found

    def _strip(self, part: Placed) -> str:
        numbers = part.role.number
        key = (STRIP, f"{numbers[0]}.{numbers[1]}" if len(numbers) > 1 else str(part.role), 1)
        return self.pieces.found[key][1] if key in self.pieces.found else part.name

    def _moved(self, name: str, children: list[int], at: tuple[int, float, float, float]) -> int:
        quarters, x, y, z = at
        half = -(quarters % 4) * 0.7853981633974483
        node = {
            "name": name, "children": children, "translation": [round(x / 1000, 6), round(z / 1000, 6), round(-y / 1000, 6)],
            "rotation": [0.0, round(_sin(half), 9), 0.0, round(_cos(half), 9)],
        }  # fmt: skip
        self.nodes.append(node)
        return len(self.nodes) - 1

    def _part(self, part: Placed, piece: str, tint: int) -> int:
        points: list[_Point] = []
        faces: list[int] = []
        for solid in _solids(part):
            start = len(points)
            points += solid[0]
            faces += [start + i for i in solid[1]]
        mesh = {
            "name": piece,
            "primitives": [
                {"attributes": {"POSITION": self._points(points)}, "indices": self._indices(faces), "material": tint}
            ],
        }
        self.meshes.append(mesh)
        self.nodes.append({"name": f"{piece} {part.name}", "mesh": len(self.meshes) - 1})
        return len(self.nodes) - 1

    # Data

    def _points(self, points: Sequence[_Point]) -> int:
        rows = [(x / 1000, z / 1000, -y / 1000) for x, y, z in points]
        packed = [struct.unpack("<3f", struct.pack("<3f", *row)) for row in rows]
        low, high = ([pick(row[a] for row in packed) for a in range(3)] for pick in (min, max))
        view = self._view(b"".join(struct.pack("<3f", *row) for row in rows), 34962)
        self.accessors.append(
            {"bufferView": view, "componentType": 5126, "count": len(rows), "type": "VEC3", "min": low, "max": high}
        )
        return len(self.accessors) - 1

    def _indices(self, faces: Sequence[int]) -> int:
        view = self._view(struct.pack(f"<{len(faces)}I", *faces), 34963)
        self.accessors.append({"bufferView": view, "componentType": 5125, "count": len(faces), "type": "SCALAR"})
        return len(self.accessors) - 1

    def _view(self, data: bytes, target: int) -> int:
        self.views.append({"buffer": 0, "byteOffset": len(self.data), "byteLength": len(data), "target": target})
        self.data += data
        return len(self.views) - 1


def _sin(half: float) -> float:
    return {0: 0.0, 1: -0.7071067811865476, 2: -1.0, 3: -0.7071067811865476}[round(-half / 0.7853981633974483) % 4]


def _cos(half: float) -> float:
    return {0: 1.0, 1: 0.7071067811865476, 2: 0.0, 3: -0.7071067811865476}[round(-half / 0.7853981633974483) % 4]


def _turned(at: tuple[float, float], quarters: int) -> tuple[float, float]:
    """Return a place after quarter turns from left to right, seen from above."""
    x, y = at
    for _ in range(quarters % 4):
        x, y = y, -x
    return x, y


def _solids(part: Placed) -> Iterator[tuple[list[_Point], list[int]]]:
    """Return the bodies of a part: their corners in mm, and their faces as threes of them."""
    if part.footprint:
        ring = [(x / TICKS_PER_MM, y / TICKS_PER_MM) for x, y in part.footprint]
        low, high = (z / TICKS_PER_MM for z in part.box.span(2))
        yield _prism(ring, low, high)
        return
    if part.outline and part.tilt is None:
        yield _formed(part)
        return
    for cell in cells(part):
        yield _box(cell)


def _box(box: Box) -> tuple[list[_Point], list[int]]:
    (x0, y0, z0), (x1, y1, z1) = (tuple(v / TICKS_PER_MM for v in corner) for corner in (box.low, box.high))
    return _prism([(x0, y0), (x1, y0), (x1, y1), (x0, y1)], z0, z1)


def _formed(part: Placed) -> tuple[list[_Point], list[int]]:
    """Return a part of any form as thick as it is."""
    along, across, through = part.axes
    start = [low / TICKS_PER_MM for low in part.box.low]
    ring = [(a.mm, b.mm) for a, b in part.outline]
    low, high = (z / TICKS_PER_MM for z in part.box.span(through))
    flat, faces = _prism(ring, low, high)
    points = []
    for a, b, c in flat:
        at = [0.0, 0.0, 0.0]
        at[along], at[across], at[through] = start[along] + a, start[across] + b, c
        points.append((at[0], at[1], at[2]))
    return points, faces


def _prism(ring: Sequence[tuple[float, float]], low: float, high: float) -> tuple[list[_Point], list[int]]:
    count = len(ring)
    points: list[_Point] = [(x, y, low) for x, y in ring] + [(x, y, high) for x, y in ring]
    at = {point: i for i, point in reversed(list(enumerate(ring)))}
    faces: list[int] = []
    for three in mapbox_earcut_2d(list(ring)):
        a, b, c = (at[_corner_of(point, ring)] for point in three)
        faces += [a, c, b, count + a, count + b, count + c]
    for i in range(count):
        j = (i + 1) % count
        faces += [i, j, count + j, i, count + j, count + i]
    return points, faces


def _corner_of(point: Any, ring: Sequence[tuple[float, float]]) -> tuple[float, float]:
    """Return the corner of a ring a point is."""
    return min(ring, key=lambda corner: abs(corner[0] - point[0]) + abs(corner[1] - point[1]))
