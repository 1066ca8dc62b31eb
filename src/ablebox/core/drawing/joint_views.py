# SPDX-License-Identifier: GPL-3.0-or-later
"""Small pictures of joints, cut from the very parts of a case."""

from __future__ import annotations

from ..lengths import TICKS_PER_MM
from ..shop.made import Made
from .cut_through import cut_part, cut_rects, outline
from .shapes import Area, Circle, Drawing, Path

#: Each joint: what it is called, and the keys of the numbers that belong to it.
JOINTS: dict[str, tuple[str, tuple[str, ...]]] = {
    "kick": ("Toe kick, notched", ("kick.height", "kick.depth")),
    "bottom": ("Bottom, in dadoes", ("bottom.dado",)),
    "top": ("Top, two stretchers", ("stretcher.width",)),
    "back": ("Back, in a groove", ("back.groove", "back.play", "rail.width")),
    "shelf": ("Shelf, on pins", ("shelf.play", "shelf.setback")),
    "pins": ("Pin holes, two rows", ("pins.pitch", "pins.inset", "pins.margin")),
    "doors": ("Doors, full overlay", ("doors.reveal", "doors.reveal_top", "doors.reveal_bottom", "doors.gap")),
    "hinge": ("Hinges, in cups", ("hinge.edge", "hinge.depth", "hinge.cup")),
}


def joint(made: Made, letter: str, name: str) -> Drawing:
    """Return a joint of a case.

    Args:
        made: what was made.
        letter: of the case.
        name: one of ``JOINTS``.
    """
    assembly = made.assembly(letter)
    width, height, depth = (size.length.ticks for size in assembly.outside)
    t = assembly.part("side.left").thickness.length.ticks
    floor = made.numbers[f"{letter}/kick.height"].length.ticks
    kick = made.numbers[f"{letter}/kick.depth"].length.ticks
    clear = made.numbers[f"{letter}/inside.depth"].length.ticks
    reach = 5 * t
    way, at, window = {
        "kick": ("side", width // 3, (-2 * t, 0, kick + 4 * t, floor + 3 * t)),
        "bottom": ("front", clear // 2, (-t, floor - 2 * t, reach, floor + 3 * t)),
        "top": ("side", width // 3, (-2 * t, height - 4 * t, reach + t, height + t)),
        "back": ("plan", height * 3 // 4, (-t, depth - 3 * t, reach, depth + t)),
        "shelf": ("front", clear // 2, (-t, 0, reach, 0)),
        "pins": ("side", width // 3, (-t, floor, depth + t, floor + depth // 2)),
        "doors": ("plan", height * 3 // 4, (-t, -2 * t, reach, 2 * t)),
        "hinge": ("plan", _hinge_height(made, letter), (-t, -2 * t, reach, 2 * t)),
    }[name]
    if name == "shelf":
        shelves = [part for part in assembly.parts if part.role == "shelf.1"]
        level = shelves[0].box.low[2] if shelves else height // 2
        window = (-t, level - 2 * t, reach, level + 3 * t)
    drawing = Drawing(JOINTS[name][0])
    drawing.window = tuple(edge / TICKS_PER_MM for edge in window)  # type: ignore[assignment]
    if name in ("kick", "top", "pins"):
        side = assembly.part("side.left")
        found = cut_rects(side, "side", side.box.low[0])
        if found is not None:
            drawing.add(*outline(*found, "wood", "", "quiet", 0.8))
    for part in assembly.parts:
        if part.role == "side.left" and way == "side":
            continue
        drawing.add(*cut_part(part, way, at, ""))
    if name == "pins":
        _pins(made, letter, drawing)
    if name == "hinge":
        _cup(made, letter, drawing)
    if name == "kick":
        drawing.add(Path(((-1000.0, 0.0), (depth / TICKS_PER_MM, 0.0)), "ink", 1.4))
    return drawing


def _pins(made: Made, letter: str, drawing: Drawing) -> None:
    for holes in made.assembly(letter).part("side.left").holes:
        if holes.name == "shelf pins":
            for _, y, z in holes.centres:
                drawing.add(Circle(y / TICKS_PER_MM, z / TICKS_PER_MM, holes.diameter.mm / 2, "ink", "", 1.4))


def _hinge_height(made: Made, letter: str) -> int:
    cups = made.assembly(letter).part("door.left").holes[0]
    return cups.centres[0][2]


def _cup(made: Made, letter: str, drawing: Drawing) -> None:
    door = made.assembly(letter).part("door.left")
    cups = door.holes[0]
    radius, back = cups.diameter.mm / 2, door.box.high[1] / TICKS_PER_MM
    x = cups.centres[0][0] / TICKS_PER_MM
    drawing.add(Area(x - radius, back - cups.depth.mm, 2 * radius, cups.depth.mm, "card", "ink", 1.1))
