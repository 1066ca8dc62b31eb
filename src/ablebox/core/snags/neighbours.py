# SPDX-License-Identifier: GPL-3.0-or-later
"""Do neighbours agree: one base frame under several cases, one stile over two sides."""

from __future__ import annotations

from collections.abc import Iterator, Sequence
from dataclasses import replace

from ..cabinet.design import Case
from ..case.base_frame import BaseFrame
from ..case.counter.none import NoCounter
from ..case.counter.sheet_top import SheetTop
from ..case.frame.face_frame import FaceFrame
from ..run.bases import Running
from ..shop.made import Made
from .snag import Check, Fix, Level, Snag


def bases_agree(made: Made) -> Iterator[Snag]:
    """Cases on one base stand on the same height, and the first one has it."""
    for row in made.run.rows:
        yield from _one_base(made, row)


def _one_base(made: Made, row: Sequence[Case]) -> Iterator[Snag]:
    leader: Case | None = None
    for case in row:
        kick = case.kick
        if not isinstance(kick, Running):
            leader = None
            continue
        if not kick.carried:
            leader = case
            continue
        what = "base frame" if isinstance(kick, BaseFrame) else "kick board"
        if leader is None or type(leader.kick) is not type(kick):
            text = f"{case.letter}: its left neighbour's {what} is to go on under it, and there is none."
            after = made.project.with_case(replace(case, kick=replace(kick, carried=False)))
            yield Snag("base.none", Level.STOP, text, case.letter, "", Fix(f"Give it a {what} of its own", after))
        else:
            yield from _same_base(made, case, leader, what)


def _same_base(made: Made, case: Case, leader: Case, what: str) -> Iterator[Snag]:
    """A base that goes on has one height, and one place behind the face."""
    write = made.units.write
    for name, how in (("height", "high"), ("depth", "deep"), ("setback", "set back")):
        own, theirs = getattr(case.kick, name, None), getattr(leader.kick, name, None)
        if own == theirs or own is None or theirs is None:
            continue
        text = (
            f"{case.letter} is reckoned for a {what} {write(own)} {how} and stands on that of "
            f"{leader.letter}, {write(theirs)} {how}."
        )
        after = made.project.with_case(replace(case, kick=replace(case.kick, **{name: theirs})))
        yield Snag(
            f"base.{name}",
            Level.STOP,
            text,
            case.letter,
            f"{case.letter}/kick.{name}",
            Fix(f"Make it {write(theirs)}", after),
        )


def _beside(row: Sequence[Case]) -> Iterator[tuple[Case, Case | None, str, str]]:
    """Return each side of each case of a row with who stands there, and the names of both sides."""
    for i, case in enumerate(row):
        yield case, row[i - 1] if i else None, "left", "right"
        yield case, row[i + 1] if i + 1 < len(row) else None, "right", "left"


def stiles_agree(made: Made) -> Iterator[Snag]:
    """Where one stile covers two sides, the neighbour's stands proud by just what it covers."""
    write = made.units.write
    for case, other, own, theirs in (pair for row in made.run.rows for pair in _beside(row)):
        if isinstance(case.frame, FaceFrame) and not case.frame.follow and getattr(case.frame, own).neighbours:
            covered = getattr(case.frame, own).width
            frame_there = other.frame if other is not None else None
            stile = getattr(frame_there, theirs) if isinstance(frame_there, FaceFrame) else None
            if other is None or stile is None or stile.neighbours:
                who = (
                    f"a stile of {other.letter}, which has none there"
                    if other is not None
                    else "a neighbour's stile, and none is there"
                )
                text = f"{case.letter}: its {own} side is to be covered by {who}."
                yield Snag("frame.no-stile", Level.STOP, text, case.letter)
            elif stile.proud != covered:
                text = (
                    f"{case.letter} counts on {write(covered)} of {other.letter}'s stile; "
                    f"that stands {write(stile.proud)} proud."
                )
                frame = replace(case.frame, **{own: replace(getattr(case.frame, own), width=stile.proud)})
                fix = Fix(f"Reckon with {write(stile.proud)}", made.project.with_case(replace(case, frame=frame)))
                key = f"{case.letter}/frame.{own}.width"
                yield Snag("frame.shared", Level.STOP, text, case.letter, key, fix if stile.proud else None)


def tops_agree(made: Made) -> Iterator[Snag]:
    """A case under a neighbour's top has none of its own, and is as high."""
    write = made.units.write
    for owner, letters in made.run.under_tops.items():
        case = made.project.case(owner)
        for letter in letters[1:]:
            other = made.project.case(letter)
            if isinstance(other.counter, SheetTop):
                text = f"{letter}: {owner}'s top lies on it, and it has one of its own."
                fix = Fix("Take its own away", made.project.with_case(replace(other, counter=NoCounter())))
                yield Snag("counter.double", Level.STOP, text, letter, "", fix)
            if other.height != case.height:
                text = (
                    f"{letter} is {write(other.height)} high and {owner}, whose top lies on it, {write(case.height)}."
                )
                fix = Fix(
                    f"Make it {write(case.height)} high", made.project.with_case(replace(other, height=case.height))
                )
                yield Snag("counter.height", Level.STOP, text, letter, f"{letter}/height", fix)


CHECKS: tuple[Check, ...] = (bases_agree, stiles_agree, tops_agree)
