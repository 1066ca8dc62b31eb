# SPDX-License-Identifier: GPL-3.0-or-later
"""When things are usually done, and what each answer of a school of order moves."""

from __future__ import annotations

from enum import IntEnum

from ..order.back import Back
from ..order.fronts import Fronts
from ..order.order import Order
from ..order.pins import Pins
from ..order.slides import Slides
from ..order.top import Top


class Phase(IntEnum):
    """When something is done, in the usual order of work (common practice); what is possible decides in the end."""

    SAW = 5
    MARK = 10
    TEST = 20
    MACHINE = 30
    BAND = 40
    PINS = 50
    BORE = 60
    SLIDES_LOOSE = 70
    DRY_FIT = 80
    PREFINISH = 90
    FINISH_PARTS = 100
    FRAME_MADE = 110
    FRAME_FIRST = 120
    BODY = 130
    SQUARE = 140
    PINS_ON_CASE = 150
    BACK = 160
    FRAME = 170
    BACK_AFTER_FRAME = 180
    BASE = 200
    KICK = 210
    ENDS = 220
    PACKERS = 230
    SLIDES = 240
    OPENINGS = 249
    MARK_FRONTS = 251
    BOXES = 265
    LEAVES = 270
    TOP_MADE = 280
    TOP_FIRST = 290
    PLATES = 300
    BOXES_IN = 310
    FRONTS = 320
    PULLS = 330
    DIVIDERS = 335
    TOP = 340
    FITTINGS = 350
    SHELVES = 360
    CHECK = 370
    OFF = 380
    FINISH = 390
    CARRY = 400
    ROOM = 410


def back_phase(order: Order) -> Phase:
    """Return when the back goes on."""
    return Phase.BACK if order.back is Back.BEFORE_FRAME else Phase.BACK_AFTER_FRAME


def front_phase(order: Order, phase: Phase) -> Phase:
    """Return when something of the fronts is done: on the bench, or once the cases stand."""
    return phase if order.fronts is Fronts.BENCH else Phase.ROOM


def top_phase(order: Order) -> Phase:
    """Return when the counter goes on."""
    return Phase.TOP if order.top is Top.AFTER else Phase.TOP_FIRST


def pin_phase(order: Order) -> Phase:
    """Return when pin holes are bored."""
    return Phase.PINS if order.pins is Pins.LOOSE else Phase.PINS_ON_CASE


def slide_phase(order: Order) -> Phase:
    """Return when slides are hung."""
    return Phase.SLIDES if order.slides is Slides.IN_PLACE else Phase.SLIDES_LOOSE
