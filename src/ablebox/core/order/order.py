# SPDX-License-Identifier: GPL-3.0-or-later
"""The order of work as it was chosen, for the job or for a case: the answers to every question on which practitioners differ."""

from __future__ import annotations

from dataclasses import dataclass, replace
from typing import Any

from .answer import Answer
from .back import Back
from .batch import Batch
from .finish import Finish
from .first import First
from .frame import Frame
from .fronts import Fronts
from .joining import Joining
from .pins import Pins
from .slides import Slides
from .top import Top


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
        first: whether what hangs or what stands goes into the room first.
        joining: how cases side by side are held together.
    """

    pins: Pins = Pins.LOOSE
    back: Back = Back.BEFORE_FRAME
    frame: Frame = Frame.APART
    finish: Finish = Finish.AFTER
    slides: Slides = Slides.IN_PLACE
    fronts: Fronts = Fronts.BENCH
    top: Top = Top.AFTER
    batch: Batch = Batch.CASE
    first: First = First.UPPERS
    joining: Joining = Joining.SCREWS


#: Every question with its answers, by the name of its field.
QUESTIONS: dict[str, type[Answer]] = {
    "pins": Pins, "back": Back, "frame": Frame, "finish": Finish, "slides": Slides, "fronts": Fronts, "top": Top, "batch": Batch,
    "first": First, "joining": Joining,
}  # fmt: skip


def answered(order: Order, question: str, answer: Answer) -> Order:
    """Return an order with a question answered otherwise.

    Args:
        order: the order.
        question: the question, by the name of its field.
        answer: one of its answers.
    """
    change: dict[str, Any] = {question: answer}
    return replace(order, **change)
