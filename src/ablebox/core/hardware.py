# SPDX-License-Identifier: GPL-3.0-or-later
"""Hardware: generic items with the figures by which they are chosen, kept as the user's own catalogue.

What an item's figures mean depends on its kind and stands in ``KINDS``; a new project starts with
the rows of ``assets/catalogue/hardware.csv``, each with its source.
"""

from __future__ import annotations

import csv
import io
from dataclasses import dataclass
from functools import cache
from importlib.resources import files

from .lengths import ZERO, Length, inches, millimetres
from .units import System


@dataclass(frozen=True, slots=True)
class Kind:
    """A kind of hardware.

    Args:
        words: what it is called.
        size: what its size is; empty if it has none.
        takes: what the second length is; empty if it has none.
        carries: what its load is; empty if it has none.
        angle: whether it has an opening angle.
        member: whether it is a pair of members with a height and a line of screw holes, as slides are.
    """

    words: str
    size: str = ""
    takes: str = ""
    carries: str = ""
    angle: bool = False
    member: bool = False


KINDS: dict[str, Kind] = {
    "side-mount": Kind("side-mount slides", "length", "takes each side", "a pair carries", member=True),
    "undermount": Kind("undermount slides", "length", "box inside less by", "a pair carries", member=True),
    "centre": Kind("centre slides", "length", "play each side", "carries", member=True),
    "hinge": Kind("concealed hinge", "cup", "arm cranked by", "one carries", True),
    "frame-hinge": Kind("face-frame hinge", "cup", "overlay", "one carries", True),
    "plate": Kind("hinge plate", "height"),
    "support-up": Kind("lift support", carries="holds"),
    "support-down": Kind("flap stay", carries="holds"),
    "pull": Kind("pull", "hole centres"),
    "knob": Kind("knob"),
    "screw": Kind("screw for fronts", "length"),
    "pull-screw": Kind("screw for pulls", "length"),
    "case-screw": Kind("case screw", "length"),
    "pocket-screw": Kind("pocket screw", "length"),
    "small-screw": Kind("screw for hardware", "length"),
    "plate-screw": Kind("system screw", "length"),
    "nail": Kind("brad", "length"),
    "connector": Kind("connector screw", "length"),
    "dowel": Kind("dowel", "length"),
    "biscuit": Kind("biscuit", "width"),
    "wall-screw": Kind("cabinet screw, into the wall", "length"),
    "counter-bolt": Kind("bolt for tops", "length"),
    "case-bolt": Kind("connecting bolt with its sleeve", "length"),
    "pin": Kind("shelf pin", "diameter"),
    "foot": Kind("adjustable foot", "height", "adjusts by", "carries"),
    "caster": Kind("caster", "height", carries="carries"),
    "other": Kind("other"),
}


@dataclass(frozen=True, slots=True)
class Hardware:
    """An item of hardware.

    Args:
        name: as it stands in the buying list; unique on a rack.
        kind: a row of ``KINDS``.
        size: see the kind; ``None`` if it has none.
        takes: see the kind; ``None`` if it has none.
        carries: in grams; ``None`` if nobody has said.
        angle: how far a hinge opens, in degrees; ``None`` for anything else.
        price: what one costs, in hundredths; ``None`` if nobody has said.
        high: height of a slide's members; ``None`` for what is usual for its kind.
        line: of their screw holes above their lower edge; ``None`` for the middle.
        first: from their front end to the first hole; ``None`` for what is usual.
        pitch: from hole to hole; ``None`` for what is usual.
        packet: how many are in a packet; ``None`` where they are sold singly.
    """

    name: str
    kind: str = "other"
    size: Length | None = None
    takes: Length | None = None
    carries: int | None = None
    angle: int | None = None
    price: int | None = None
    high: Length | None = None
    line: Length | None = None
    first: Length | None = None
    pitch: Length | None = None
    packet: int | None = None

    def __post_init__(self) -> None:
        if not self.name.strip():
            raise ValueError("hardware has a name")
        if self.kind not in KINDS:
            raise ValueError(f"kind is one of {', '.join(KINDS)}")
        kind = KINDS[self.kind]
        if kind.size and (self.size is None or self.size < ZERO):
            raise ValueError(f"{self.name} lacks its {kind.size}")
        if kind.takes and (self.takes is None or self.takes < ZERO):
            raise ValueError(f"{self.name} lacks what it says of “{kind.takes}”")
        if any(figure is not None and figure < 0 for figure in (self.carries, self.angle, self.price)):
            raise ValueError("load, angle and price are 0 or more, or empty if nobody has said")
        if any(size is not None and size <= ZERO for size in (self.high, self.line, self.first, self.pitch)):
            raise ValueError(f"heights and holes of {self.name} are more than 0, or empty for the usual ones")
        if self.packet is not None and self.packet < 1:
            raise ValueError("a packet holds 1 or more")

    @property
    def members(self) -> tuple[Length, Length, Length, Length]:
        """Height of a slide's members, the line of their holes, their first hole and the pitch: its own, or usual ones.

        45 mm high, holes in the middle, the first 37 mm from the front end, then every 32 mm (common practice).
        """
        high = self.high or millimetres(45)
        return high, self.line or high.share(2)[0], self.first or millimetres(37), self.pitch or millimetres(32)

    @property
    def kilograms(self) -> float | None:
        """What it carries; ``None`` if nobody has said."""
        return None if self.carries is None else self.carries / 1000

    @property
    def length(self) -> Length:
        """Its size; 0 if it has none."""
        return self.size or ZERO

    @property
    def taken(self) -> Length:
        """Its second length; 0 if it has none."""
        return self.takes or ZERO


def _length(text: str) -> Length | None:
    if not text:
        return None
    number, _, unit = text.rpartition(" ")
    return millimetres(number) if unit == "mm" else inches(number)


def _grams(text: str) -> int | None:
    if not text:
        return None
    number, unit = text.split()
    return round(int(number) * (453.592 if unit == "lb" else 1000))


@cache
def _sources() -> dict[str, str]:
    text = (files("ablebox") / "assets" / "catalogue" / "hardware.csv").read_text(encoding="utf-8")
    return {row["name"]: row["source"] for row in csv.DictReader(io.StringIO(text))}


def source_of(name: str) -> str:
    """Return where the figures of an item come from: the catalogue's source, or that they are the rack's own."""
    return _sources().get(name, "as the rack has them")


@cache
def usual(system: System) -> tuple[Hardware, ...]:
    """Return the hardware a new project starts with, in sizes common where the unit is used."""
    text = (files("ablebox") / "assets" / "catalogue" / "hardware.csv").read_text(encoding="utf-8")
    found = []
    for row in csv.DictReader(io.StringIO(text)):
        if row["where"] in ("", system.value):
            found.append(
                Hardware(
                    row["name"], row["kind"], _length(row["size"]), _length(row["takes"]),
                    _grams(row["carries"]), int(row["angle"]) if row["angle"] else None, None,
                    _length(row["high"]), _length(row["line"]), _length(row["first"]), _length(row["pitch"]),
                    int(row["packet"]) if row["packet"] else None,
                )
            )  # fmt: skip
    return tuple(found)
