# SPDX-License-Identifier: GPL-3.0-or-later
"""What the proof of hardware and fasteners finds, each in one sentence with its numbers."""

from __future__ import annotations

from collections.abc import Callable, Iterator
from dataclasses import replace
from functools import partial

from ..assembly.fitting import FittingKind
from ..assembly.part import Assembly
from ..assembly.proof import Fault, Finding
from ..assembly.role import COUNTERS, PartKind
from ..assembly.uses import Use
from ..cabinet.design import Case
from ..cabinet.places import put
from ..case.base_legs import Legs
from ..case.top_stretchers import TwoStretchers
from ..lengths import TICKS_PER_MM, Length, inches, millimetres
from ..project.choices import choice
from ..shop.made import Made
from ..units import Units
from .called import called
from .set_back import off_the_rack, set_back
from .snag import Check, Fix, Level, Snag, Sought
from .ways_on import ways_on

#: Behind this a shelf clears a hinge (common practice).
_CLEAR = millimetres(70)


def not_sound(made: Made) -> Iterator[Snag]:
    """Fasteners and hardware that cannot be as they are; each kind once for a case."""
    for case, assembly in made.built:
        told: set[tuple[Fault, str, Use | None]] = set()
        for finding in made.findings(case.letter):
            if finding.fault is Fault.AIR and not (finding.fitting and finding.fitting.holds):
                # What it would hang on is told by what the case wants.
                continue
            if finding.fault is Fault.ONE_SIDED and assembly.wanting:
                continue
            about = (finding.fault, finding.roles[0].whole.kind.value if finding.roles else "", finding.use)
            if about in told:
                continue
            told.add(about)
            sentence = _SENTENCES[finding.fault](assembly, finding, made.units)
            key = _KEYS[finding.use] if finding.fault is Fault.CUP and finding.use in _KEYS else ""
            yield Snag(
                f"proof.{finding.fault.value}", Level.STOP, f"{case.letter}: {sentence}", case.letter,
                f"{case.letter}/{key}" if key else "", Sought(partial(_way_on, made, case, finding)),
            )  # fmt: skip


_KEYS = {Use.CUP: "fronts.hinge.depth"}


def _size(mm: float, units: Units) -> str:
    return units.write(Length(round(max(mm, 0.0) * TICKS_PER_MM)), True)


def _screw(finding: Finding, units: Units) -> str:
    """Name a fastener, and the number its length follows from."""
    if finding.fastener is None:
        return finding.use.words if finding.use is not None else "a hole"
    return f"{finding.fastener.name} ({finding.fastener.why})" if finding.fastener.why else finding.fastener.name


def _tip(assembly: Assembly, finding: Finding, units: Units) -> str:
    where = called(assembly, finding.roles[0])
    screw = _screw(finding, units)
    if finding.have <= 0:
        return f"the tip of {screw} comes out of the {where}; take shorter ones, or thicker stock."
    return (
        f"the tip of {screw} ends {_size(finding.have, units)} from a face of the {where} and wants {_size(finding.need, units)}; "
        "take shorter ones, or thicker stock."
    )


def _stray(assembly: Assembly, finding: Finding, units: Units) -> str:
    return f"{_screw(finding, units)} runs where the {called(assembly, finding.roles[0])} is; move one of them."


def _head(assembly: Assembly, finding: Finding, units: Units) -> str:
    return (
        f"the {called(assembly, finding.roles[0])} lies over the head of {_screw(finding, units)} in the {called(assembly, finding.roles[1])}; "
        "move one of them."
    )


def _meet(assembly: Assembly, finding: Finding, units: Units) -> str:
    screw, where = _screw(finding, units), called(assembly, finding.roles[0])
    if finding.have <= 0:
        return f"{screw} meets something else in the {where}; move one of them."
    return f"{screw} and what is beside it in the {where} leave {_size(finding.have, units)} of wood between them; move one of them."


def _hole(assembly: Assembly, finding: Finding, units: Units) -> str:
    what = finding.use.words if finding.use is not None else "holes"
    return (
        f"{what} leave {_size(finding.have, units)} of the {called(assembly, finding.roles[0])}; bore them shallower, or use "
        "thicker stock."
    )


def _cup(assembly: Assembly, finding: Finding, units: Units) -> str:
    return (
        f"cups leave {_size(finding.have, units)} of the {called(assembly, finding.roles[0])} and want {_size(2.5, units)}: the drill's "
        "point comes through the face. Use thicker doors or shallower cups."
    )


def _air(assembly: Assembly, finding: Finding, units: Units) -> str:
    where = called(assembly, finding.roles[0])
    return f"{finding.fitting.name if finding.fitting else 'hardware'} finds wood for {int(finding.have)} of 2 screws in the {where}; move it, or make that larger."


def _pins(assembly: Assembly, finding: Finding, units: Units) -> str:
    return (
        f"the {called(assembly, finding.roles[0])} stands on {int(finding.have)} pins and wants {int(finding.need)}; set it back less, "
        "or move the rows of holes."
    )


def _hinge(assembly: Assembly, finding: Finding, units: Units) -> str:
    box = finding.fitting.box if finding.fitting is not None else None
    level = units.write(Length((box.low[2] + box.high[2]) // 2)) if box is not None else ""
    return (
        f"a hinge at {level} above the floor meets the {called(assembly, finding.roles[0])}; move it, or set it back "
        f"{units.write(_CLEAR)}."
    )


def _loose(assembly: Assembly, finding: Finding, units: Units) -> str:
    return (
        f"nothing holds the {called(assembly, finding.roles[0])}: nothing it lies against takes a fastener; join it another way, or "
        "move it."
    )


def _clash(assembly: Assembly, finding: Finding, units: Units) -> str:
    if finding.fitting is not None and finding.fitting.kind is FittingKind.DOOR_RACK:
        shelf = finding.roles[0].kind in (PartKind.SHELF, PartKind.FIXED_SHELF)
        way = "set that back" if shelf else "keep it further from the door's sides"
        return f"the rack on the {_its_door(assembly, finding)} would stand where the {called(assembly, finding.roles[0])} is; {way}."
    what = finding.fitting.name if finding.fitting is not None else "hardware"
    return f"{what} would stand where the {called(assembly, finding.roles[0])} is; move one of them."


def _rack(assembly: Assembly, finding: Finding, units: Units) -> str:
    other = _OTHERS.get(finding.beside.kind, "other hardware") if finding.beside is not None else "other hardware"
    return f"the rack on the {_its_door(assembly, finding)} would stand where {other} is; move one of them."


_OTHERS = {
    FittingKind.ROD: "the hanging rod", FittingKind.SOCKET: "a rod's socket", FittingKind.ROD_SUPPORT: "a rod's support",
    FittingKind.HINGE_ARM: "a hinge", FittingKind.HINGE_PLATE: "a hinge", FittingKind.HINGE_CUP: "a hinge",
    FittingKind.SLIDE_CASE: "a slide", FittingKind.SLIDE_BOX: "a slide", FittingKind.DOOR_RACK: "another rack",
}  # fmt: skip


def _swing(assembly: Assembly, finding: Finding, units: Units) -> str:
    return (
        f"the rack on the {_its_door(assembly, finding)} meets the {called(assembly, finding.roles[0])} as the door opens; keep it "
        "further from the door's sides, or take a shallower one."
    )


def _its_door(assembly: Assembly, finding: Finding) -> str:
    return called(assembly, finding.roles[-1].whole)


def _one_sided(assembly: Assembly, finding: Finding, units: Units) -> str:
    assert finding.fitting is not None
    what = called(assembly, finding.roles[0]) if finding.roles else "front"
    return f"{finding.fitting.name} of the {what} are screwed to one side only: to the front or to the case; put something beside it."


_SENTENCES: dict[Fault, Callable[[Assembly, Finding, Units], str]] = {
    Fault.TIP: _tip, Fault.STRAY: _stray, Fault.HEAD: _head, Fault.MEET: _meet, Fault.HOLE: _hole, Fault.CUP: _cup, Fault.AIR: _air,
    Fault.PINS: _pins, Fault.HINGE: _hinge, Fault.CLASH: _clash,
    Fault.LOOSE: _loose, Fault.RACK: _rack, Fault.SWING: _swing, Fault.ONE_SIDED: _one_sided,
}  # fmt: skip


def _way_on(made: Made, case: Case, finding: Finding) -> Iterator[Fix | None]:
    return ways_on(made, case, finding.roles, _offer(made, case, finding))


def _offer(made: Made, case: Case, finding: Finding) -> Fix | None:
    if finding.fitting is not None and finding.fitting.kind is FittingKind.DOOR_RACK:
        return off_the_rack(made, case, finding)
    if finding.fault is Fault.HINGE:
        return set_back(made, case, finding.roles[0], lambda _: made.units.usual(_CLEAR))
    if finding.fault is Fault.CUP:
        found = choice(made.project, f"{case.letter}/fronts.hinge.depth")
        if found is not None and found.value is not None:
            less = Length(found.value.ticks - round((finding.need - finding.have + 0.1) * TICKS_PER_MM))
            if less > millimetres(9):
                return Fix("Bore the cups shallower", found.put(less))
    if finding.fault is Fault.LOOSE and finding.roles[0].kind in COUNTERS and isinstance(case.top, TwoStretchers):
        flat = put(case, "top", replace(case.top, front="flat", back="flat"))
        if case.top != flat.top:
            return Fix("Lay the stretchers flat under it", made.project.with_case(flat))
    if finding.fault is Fault.LOOSE and finding.roles[0].kind is PartKind.LEG and isinstance(case.kick, Legs):
        further = case.kick.inset + made.units.usual(inches(1))
        return Fix(
            f"Set the legs in {made.units.write(further)}", made.project.with_case(put(case, "kick.inset", further))
        )
    return None


CHECKS: tuple[Check, ...] = (not_sound,)
