# SPDX-License-Identifier: GPL-3.0-or-later
"""What holes are for."""

from __future__ import annotations

from enum import Enum


class Use(Enum):
    """What a hole is for; the value is what it is called in JSON."""

    PIN = "pin"
    CUP = "cup"
    CUP_SCREW = "cup-screw"
    PLATE = "plate"
    SLIDE = "slide"
    SLIDE_REAR = "slide-rear"
    PULL = "pull"
    ROD = "rod"
    THROUGH = "through"
    LAMP = "lamp"
    CLEARANCE = "clearance"
    PILOT = "pilot"
    POCKET = "pocket"
    CONNECTOR = "connector"
    DOWEL = "dowel"
    BISCUIT = "biscuit"

    @property
    def words(self) -> str:
        """What several of them are called on paper and in sentences."""
        return _WORDS[self]


_WORDS = {
    Use.PIN: "shelf pins",
    Use.CUP: "hinge cups",
    Use.CUP_SCREW: "hinge screws",
    Use.PLATE: "hinge plates",
    Use.SLIDE: "slide screws",
    Use.SLIDE_REAR: "slide hooks",
    Use.PULL: "pull screws",
    Use.ROD: "rod socket centres",
    Use.THROUGH: "holes right through",
    Use.LAMP: "lamps",
    Use.CLEARANCE: "screw holes",
    Use.PILOT: "pilots",
    Use.POCKET: "pocket holes",
    Use.CONNECTOR: "connector holes",
    Use.DOWEL: "dowels",
    Use.BISCUIT: "biscuits",
}
