# SPDX-License-Identifier: GPL-3.0-or-later
"""The design of one case: outside sizes, stock, and the school of each of its parts.

To add a school: write its module beside the others in ``case`` or ``fronts``, add its record
to the matching line of ``SCHOOLS``, and widen the field's type below.

Sizes a case starts with are common practice.
"""

from __future__ import annotations

from dataclasses import dataclass, field

from ..case.back_grooved import GroovedBack
from ..case.back_laid_on import LaidOnBack
from ..case.back_none import NoBack
from ..case.back_rabbeted import RabbetedBack
from ..case.back_thick import ThickBack
from ..case.base_casters import Casters
from ..case.base_feet import Feet
from ..case.base_frame import BaseFrame
from ..case.base_hung import Hung
from ..case.base_legs import Legs
from ..case.base_skirt import Skirt
from ..case.bottom import Bottom
from ..case.counter.none import NoCounter
from ..case.counter.sheet_top import SheetTop
from ..case.cutouts import Cutout
from ..case.end.choice import SeenEnd
from ..case.end.end_panel import EndPanel
from ..case.end.good_face import GoodFace
from ..case.end.undecided import Undecided
from ..case.extra.apply import Extra
from ..case.extra.arch import Arch
from ..case.extra.cord_notch import CordNotch
from ..case.extra.cord_outlet import CordOutlet
from ..case.extra.cord_space import CordSpace
from ..case.extra.corner_notch import CornerNotch
from ..case.extra.finger_slot import FingerSlot
from ..case.extra.lamp import Lamp
from ..case.extra.light_groove import LightGroove
from ..case.extra.round_hole import RoundHole
from ..case.extra.switch import Switch
from ..case.fields import size
from ..case.frame.face_frame import FaceFrame
from ..case.frame.fastened import FastenedFrame
from ..case.frame.half_lap import HalfLap
from ..case.frame.none import Frameless
from ..case.frame.tenon import Tenon
from ..case.inside.false_bottom import FalseBottom
from ..case.inside.hanging_rod import HangingRod
from ..case.inside.layout import Bay, Columns, Inside, Rows
from ..case.inside.pull_out import PullOut
from ..case.inside.shelves_on_pins import PinShelves
from ..case.inside.sloping import SlopingShelves
from ..case.inside.slots import Slots
from ..case.joint.butt import Butt
from ..case.joint.dado import Dado
from ..case.joint.over import LaidOver
from ..case.joint.rabbet import Rabbet
from ..case.kick_notched import NotchedKick
from ..case.plan_diagonal import Diagonal
from ..case.plan_straight import Straight
from ..case.scribe import Scribe
from ..case.top_full import FullTop
from ..case.top_none import NoTop
from ..case.top_stretchers import TwoStretchers
from ..fronts.cell.appliance import ApplianceSpace
from ..fronts.cell.door import Door
from ..fronts.cell.drawer import Drawer
from ..fronts.cell.empty import OpenCell
from ..fronts.cell.false_front import FalseFront
from ..fronts.cell.flap import Flap
from ..fronts.cell.pair import Pair
from ..fronts.cell.pull_out_front import PullOutFront
from ..fronts.drawer.slides import CentreMount, SideMount, Undermount
from ..fronts.face import FaceFronts, Line, Stack
from ..fronts.fit.full_overlay import FullOverlay
from ..fronts.fit.half_overlay import HalfOverlay
from ..fronts.fit.inset_fit import Inset
from ..fronts.fit.lipped import Lipped
from ..fronts.fit.overlay import Overlay
from ..fronts.fit.same import LikeOthers
from ..fronts.making.applied_frame import AppliedFrame
from ..fronts.making.edged_slab import EdgedSlab
from ..fronts.making.frame_panel import FramePanel
from ..fronts.making.rabbet_panel import RabbetPanel
from ..fronts.making.same import LikeDoors
from ..fronts.making.slab import Slab
from ..fronts.none import NoFronts
from ..fronts.side_face import PLACES
from ..lengths import ZERO, Length, inches
from .support import Support

Frame = Frameless | FaceFrame
Kick = NotchedKick | BaseFrame | Feet | Skirt | Legs | Casters | Hung
Top = TwoStretchers | FullTop | NoTop
Back = GroovedBack | LaidOnBack | RabbetedBack | ThickBack | NoBack
Fronts = FaceFronts | NoFronts
Counter = NoCounter | SheetTop
Plan = Straight | Diagonal

#: For each thing a case has: the name a school has in files -> its record.
SCHOOLS: dict[str, dict[str, type]] = {
    "end": {"undecided": Undecided, "good-face": GoodFace, "panel": EndPanel},
    "plan": {"straight": Straight, "diagonal": Diagonal},
    "frame": {"frameless": Frameless, "face-frame": FaceFrame},
    "kick": {
        "notched": NotchedKick, "base-frame": BaseFrame, "feet": Feet, "skirt": Skirt, "legs": Legs,
        "casters": Casters, "hung": Hung,
    },
    "bottom": {"bottom": Bottom},
    "top": {"stretchers": TwoStretchers, "full": FullTop, "none": NoTop},
    "back": {
        "groove": GroovedBack, "laid-on": LaidOnBack, "rabbet": RabbetedBack, "thick": ThickBack, "none": NoBack,
    },
    "inside": {"bay": Bay, "columns": Columns, "rows": Rows},
    "fitting": {
        "pins": PinShelves, "slots": Slots, "rod": HangingRod, "sloping": SlopingShelves, "pull-out": PullOut,
        "false-bottom": FalseBottom,
    },
    "joint": {"butt": Butt, "dado": Dado, "rabbet": Rabbet, "over": LaidOver},
    "frame-joint": {"fastened": FastenedFrame, "half-lap": HalfLap, "tenon": Tenon},
    "counter": {"none": NoCounter, "sheet": SheetTop},
    "extra": {
        "hole": RoundHole, "finger-slot": FingerSlot, "notch": CornerNotch, "arch": Arch, "cord-outlet": CordOutlet,
        "cord-notch": CordNotch, "cord-space": CordSpace, "light-groove": LightGroove, "lamp": Lamp, "switch": Switch,
    },
    "fronts": {"face": FaceFronts, "open": NoFronts},
    "fit": {
        "full-overlay": FullOverlay, "overlay": Overlay, "half-overlay": HalfOverlay, "inset": Inset, "lipped": Lipped,
        "like-others": LikeOthers,
    },
    "making": {"slab": Slab, "edged-slab": EdgedSlab, "applied-frame": AppliedFrame, "frame-panel": FramePanel, "rabbet-panel": RabbetPanel, "like-doors": LikeDoors},
    "cell": {
        "pair": Pair, "door": Door, "drawer": Drawer, "pull-out-front": PullOutFront, "false-front": FalseFront,
        "flap": Flap, "empty": OpenCell, "appliance": ApplianceSpace,
    },
    "division": {"stack": Stack, "line": Line},
    "slides": {"side-mount": SideMount, "undermount": Undermount, "centre": CentreMount},
}  # fmt: skip


def one_bay() -> Bay:
    """Return an inside with one adjustable shelf."""
    return Bay((PinShelves(),))


@dataclass(frozen=True, slots=True)
class Case:
    """The design of a case.

    Args:
        letter: its letter: A, B, C.
        name: what it is called.
        width: outside width over the sides, used unless the width follows from the run.
        height: outside height, whatever it stands on included.
        depth: outside depth, face frame included, without doors.
        follows: whether the width follows from the run.
        in_alcove: whether it stands in the run of its wall.
        goods: code of the carcass stock.
        edging: code of the band on the carcass' seen edges; empty for bare edges.
        frame: what stands before the carcass.
        kick: what it stands on.
        bottom: the bottom.
        top: the top.
        back: the back.
        inside: how it is divided and fitted.
        fronts: the fronts.
        counter: what lies on it.
        set_in: how far the sides go on behind the carcass, to be scribed to the wall.
        cutouts: openings through the back.
        scribes: edges that follow what was measured.
        extras: what was added to single parts: holes, slots, notches, arches.
        load: what a shelf carries, a row of the catalogue of loads.
        turned: quarter turns to the left in which it stands, as in an island.
        rear: fronts at its back.
        left_end: fronts at its left end.
        right_end: fronts at its right end.
        wall: number of the wall it stands at, from 1.
        hang: how high the lower edge of a case that hangs is over the floor.
        copies: how many are made of it, all alike; those beyond the first stand in no run.
        plan: its form seen from above.
        left_seen: how its left end looks where it is seen.
        right_seen: how its right end looks where it is seen.
        on: what it stands on; ``None`` for the floor, or where it hangs.
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
    frame: Frame = field(default_factory=Frameless)
    kick: Kick = field(default_factory=NotchedKick)
    bottom: Bottom = field(default_factory=Bottom)
    top: Top = field(default_factory=TwoStretchers)
    back: Back = field(default_factory=GroovedBack)
    inside: Inside = field(default_factory=one_bay)
    fronts: Fronts = field(default_factory=FaceFronts)
    counter: Counter = field(default_factory=NoCounter)
    set_in: Length = size("sides beyond the back, to scribe", ZERO, zero=True)
    cutouts: tuple[Cutout, ...] = ()
    scribes: tuple[Scribe, ...] = ()
    extras: tuple[Extra, ...] = ()
    load: str = "kitchen"
    turned: int = 0
    rear: Fronts = field(default_factory=NoFronts)
    left_end: Fronts = field(default_factory=NoFronts)
    right_end: Fronts = field(default_factory=NoFronts)
    wall: int = 1
    hang: Length = inches(54)
    copies: int = 1
    plan: Plan = field(default_factory=Straight)
    left_seen: SeenEnd = field(default_factory=Undecided)
    right_seen: SeenEnd = field(default_factory=Undecided)
    on: Support | None = None

    def __post_init__(self) -> None:
        if not (self.letter.isascii() and self.letter.isalpha() and self.letter.isupper() and len(self.letter) <= 2):
            raise ValueError("a case's letter is A to Z, or AA to ZZ")
        if not 0 <= self.turned <= 3:
            raise ValueError("a case stands in 0 to 3 quarter turns")
        if self.wall < 1 or self.hang < ZERO:
            raise ValueError("walls are counted from 1, and a case hangs over the floor")
        if not 1 <= self.copies <= 99:
            raise ValueError("a case is made once to 99 times")
        if self.on is not None and self.on.letter == self.letter:
            raise ValueError("a case does not stand on itself")

    @property
    def is_hung(self) -> bool:
        """Whether it hangs on the wall."""
        return isinstance(self.kick, Hung) and self.on is None

    @property
    def side_faces(self) -> list[tuple[str, FaceFronts]]:
        """The fronts at other sides than the front, each with the side."""
        return [(side, fronts) for side, fronts in self._faces() if side != "front"]

    @property
    def faces(self) -> list[tuple[str, FaceFronts]]:
        """All its fronts, the front's first, each with its place in the design."""
        return [(PLACES[side], fronts) for side, fronts in self._faces()]

    def _faces(self) -> list[tuple[str, FaceFronts]]:
        found = [(side, getattr(self, place)) for side, place in PLACES.items()]
        return [(side, fronts) for side, fronts in found if isinstance(fronts, FaceFronts)]
