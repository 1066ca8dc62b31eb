# SPDX-License-Identifier: GPL-3.0-or-later
"""The design of one case: outside sizes, stock, and the school of each of its parts.

To add a school: write its module beside the others in ``case`` or ``fronts``, add its record
to the matching line of ``SCHOOLS``, and widen the field's type below to ``Old | New``.
"""

from __future__ import annotations

from dataclasses import dataclass, field

from ..case.back_grooved import GroovedBack
from ..case.bottom_dado import DadoBottom
from ..case.kick_notched import NotchedKick
from ..case.shelves_on_pins import PinShelves
from ..case.top_stretchers import TwoStretchers
from ..fronts.door_pair import DoorPair
from ..lengths import Length, inches

#: For each thing a case has: the name a school has in files -> its record.
SCHOOLS: dict[str, dict[str, type]] = {
    "kick": {"notched": NotchedKick},
    "bottom": {"dado": DadoBottom},
    "top": {"two-stretchers": TwoStretchers},
    "back": {"groove": GroovedBack},
    "shelves": {"pins": PinShelves},
    "fronts": {"door-pair": DoorPair},
}


@dataclass(frozen=True, slots=True)
class Case:
    """The design of a case.

    Args:
        letter: its letter: A, B, C.
        name: what it is called.
        width: outside width, used unless the width follows from the alcove.
        height: outside height, kick included.
        depth: outside depth, without doors.
        follows: whether the width follows from the alcove.
        in_alcove: whether it stands in the alcove.
        goods: code of the carcass stock.
        edging: code of the band on the carcass' seen edges; empty for bare edges.
        kick: the toe kick.
        bottom: the bottom.
        top: the top.
        back: the back.
        shelves: the shelves.
        fronts: the fronts.
    """

    letter: str
    name: str = "Base, two doors"
    width: Length = inches(24)
    height: Length = inches("34 1/2")
    depth: Length = inches("23 1/4")
    follows: bool = False
    in_alcove: bool = True
    goods: str = "case"
    edging: str = "veneer"
    kick: NotchedKick = field(default_factory=NotchedKick)
    bottom: DadoBottom = field(default_factory=DadoBottom)
    top: TwoStretchers = field(default_factory=TwoStretchers)
    back: GroovedBack = field(default_factory=GroovedBack)
    shelves: PinShelves = field(default_factory=PinShelves)
    fronts: DoorPair = field(default_factory=DoorPair)

    def __post_init__(self) -> None:
        if not (self.letter.isascii() and self.letter.isalpha() and self.letter.isupper() and len(self.letter) <= 2):
            raise ValueError("a case's letter is A to Z, or AA to ZZ")
