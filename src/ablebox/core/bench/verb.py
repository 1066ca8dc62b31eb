# SPDX-License-Identifier: GPL-3.0-or-later
"""What steps do, and the gates before some of them."""

from __future__ import annotations

from enum import Enum


class Verb(Enum):
    """What is done at a step; the value is what it is called in JSON."""

    CUT = "cut"
    MARK = "mark"
    TEST = "test-cut"
    MACHINE = "machine"
    BAND = "band"
    BORE = "bore"
    DRY_FIT = "dry-fit"
    FINISH = "finish"
    FASTEN = "fasten"
    SQUARE = "square"
    HANG = "hang"
    SET = "set"
    MEASURE = "measure"
    CHECK = "check"
    TAKE_OFF = "take-off"
    CARRY = "carry"


class Gate(Enum):
    """What a step closes off; the value is what it is called in JSON."""

    NONE = ""
    GLUE = "glue"
    BACK = "back"
    STAND = "stand"
    TOP = "top"
    FINISH = "finish"
    CARRY = "carry"


class What(Enum):
    """What a step is about: what it is called, and what it is merged with, follow from it."""

    JIGS = "blocks"
    SAW = "saw"
    MARK = "mark"
    TEST = "test"
    MACHINE = "machine"
    BAND = "band"
    PINS = "pins"
    BORE = "bore"
    DRY_FIT = "dry fit"
    PREFINISH = "prefinish"
    FINISH = "finish"
    CASE = "case"
    SIDE = "side"
    PARTITIONS = "partitions"
    SHELVES_FIXED = "fixed shelves"
    TOP_RAILS = "top rails"
    CASE_TOP = "case top"
    RAILS = "rails"
    SQUARE = "square"
    BACK = "back"
    FRAME_MADE = "frame made"
    FRAME = "frame"
    BASE = "base"
    KICK = "kick"
    END = "end"
    PACKERS = "packers"
    SLIDES = "slides"
    OPENINGS = "openings"
    BOXES = "boxes"
    BOX_SLIDES = "box slides"
    LEAVES = "leaves"
    HINGES = "hinges"
    PLATES = "plates"
    BOXES_IN = "boxes in"
    DIVIDERS = "dividers"
    DOORS = "doors"
    FRONTS = "fronts"
    PULLS = "pulls"
    COUNTER_MADE = "counter made"
    COUNTER = "counter"
    FITTINGS = "fittings"
    SHELVES = "shelves"
    CHECK = "check"
    OFF = "off"
    CARRY = "carry"
