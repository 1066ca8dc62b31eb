# SPDX-License-Identifier: GPL-3.0-or-later
"""The order of work as it was chosen, for the job or for a case, and what each choice moves."""

from __future__ import annotations

from dataclasses import dataclass
from enum import Enum, IntEnum

from .school.back import Back
from .school.batch import Batch
from .school.finish import Finish
from .school.frame import Frame
from .school.fronts import Fronts
from .school.pins import Pins
from .school.slides import Slides
from .school.top import Top


@dataclass(frozen=True, slots=True)
class Order:
    """How the order of work was chosen.

    Args:
        pins: when pin holes are bored.
        back: when the back goes on.
        frame: how a face frame comes to its case.
        finish: when the finish goes on.
        slides: when slides are hung.
        fronts: where fronts are fitted.
        top: when the counter goes on.
        batch: whether cases are worked one by one.
    """

    pins: Pins = Pins.LOOSE
    back: Back = Back.BEFORE_FRAME
    frame: Frame = Frame.APART
    finish: Finish = Finish.AFTER
    slides: Slides = Slides.IN_PLACE
    fronts: Fronts = Fronts.BENCH
    top: Top = Top.AFTER
    batch: Batch = Batch.CASE


#: Every question with its answers, by the name of its field.
QUESTIONS: dict[str, type[Enum]] = {
    "pins": Pins, "back": Back, "frame": Frame, "finish": Finish, "slides": Slides, "fronts": Fronts, "top": Top, "batch": Batch,
}  # fmt: skip


class Phase(IntEnum):
    """When something is done, in the usual order of work (common practice); what is possible decides in the end."""

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
    RAILS = 165
    BASE = 200
    KICK = 210
    ENDS = 220
    PACKERS = 230
    SLIDES = 240
    OPENINGS = 250
    BOXES = 260
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
