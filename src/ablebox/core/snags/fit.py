# SPDX-License-Identifier: GPL-3.0-or-later
"""Does it fit the room: width of the run, mouth, ceiling, tipping up."""

from __future__ import annotations

from collections.abc import Iterator
from dataclasses import replace
from math import isqrt

from ..cabinet.design import Case
from ..case.base_frame import BaseFrame
from ..case.base_hung import Hung
from ..lengths import ZERO, Length
from ..project.tree import Project
from ..shop.made import Made
from .snag import Check, Fix, Level, Snag


def _stepped_down(made: Made, length: Length) -> Length:
    step = made.units.step.ticks
    return Length(length.ticks // step * step)


def _with_width(project: Project, case: Case, width: Length) -> Project:
    return project.with_case(replace(case, follows=False, width=width))


def _with_height(project: Project, case: Case, height: Length) -> Project:
    return project.with_case(replace(case, height=height))


def run_against_alcove(made: Made) -> Iterator[Snag]:
    """The run must not be wider than the smallest width, and should leave the allowance."""
    usable, smallest, run = made.room.usable, made.room.governing, made.run
    if usable is None or smallest is None or run is None or run.length <= usable.length:
        return
    write = made.units.write
    fixed = [case for case in made.project.cases if case.in_alcove and not case.follows]
    words = " and ".join(case.letter for case in made.project.cases if case.in_alcove)
    fix = None
    if len(fixed) == 1:
        rest = run.length - fixed[0].width
        fitting = usable.length - rest
        if fitting > ZERO:
            after = _with_width(made.project, fixed[0], fitting)
            fix = Fix(f"Make {fixed[0].letter} {write(fitting)} wide", after)
    if run.length > smallest.length:
        text = (
            f"{words}: {write(run.length)} wide in an alcove of {write(smallest.length)} at its narrowest; "
            f"{write(usable.length)} leaves room to get it in."
        )
        yield Snag("fit.width", Level.STOP, text, fixed[0].letter if fixed else "", "run/width", fix)
    else:
        spare = smallest.length - run.length
        text = (
            f"{words}: only {write(spare)} to spare in the alcove, you want "
            f"{write(made.project.alcove.allowance)} to get it in."
        )
        yield Snag("fit.spare", Level.WARN, text, fixed[0].letter if fixed else "", "run/width", fix)


def through_the_mouth(made: Made) -> Iterator[Snag]:
    """Each case in the alcove goes in through the mouth, front to back."""
    mouth = made.room.mouth
    if mouth is None:
        return
    for case in made.project.cases:
        width = made.assembly(case.letter).outside[0].length
        if case.in_alcove and width > mouth.length:
            most = _stepped_down(made, mouth.length)
            text = (
                f"{case.letter}: {made.units.write(width)} wide, the mouth is {made.units.write(mouth.length)}: "
                f"take off what narrows the mouth, or build it {made.units.write(most)} or less."
            )
            after = _with_width(made.project, case, most)
            fix = Fix(f"Make {case.letter} {made.units.write(most)} wide", after)
            yield Snag("fit.mouth", Level.STOP, text, case.letter, f"{case.letter}/width", fix)


def under_the_ceiling(made: Made) -> Iterator[Snag]:
    """Each case in the alcove is lower than the ceiling, and can be tipped up under it.

    A case built lying down needs the diagonal of its height and depth: sqrt(h^2 + d^2).
    """
    ceiling = made.room.ceiling
    if ceiling is None:
        return
    write, top = made.units.write, ceiling.length.ticks
    for case in made.project.cases:
        if not case.in_alcove or isinstance(case.kick, Hung):
            continue
        height, depth = case.height.ticks, case.depth.ticks
        # What stands on a base frame is tipped up without it.
        apart = case.kick.height.ticks if isinstance(case.kick, BaseFrame) else 0
        tipped = height - apart
        diagonal = Length(isqrt(tipped**2 + depth**2))
        most = Length(isqrt(max(0, top**2 - depth**2)) + apart)
        fix = None
        if most.ticks > 0:
            lower = _stepped_down(made, most)
            fix = Fix(f"Make {case.letter} {write(lower)} high", _with_height(made.project, case, lower))
        if height > top:
            text = f"{case.letter}: {write(case.height)} high under a ceiling of {write(ceiling.length)}."
            yield Snag("fit.ceiling", Level.STOP, text, case.letter, f"{case.letter}/height", fix)
        elif tipped**2 + depth**2 > top**2:
            text = (
                f"{case.letter} cannot be tipped up: {write(Length(tipped))} high and {write(case.depth)} deep needs "
                f"{write(diagonal)}, the ceiling is at {write(ceiling.length)}; build it {write(most)} or less, "
                f"{'or in two parts' if apart else 'or on a separate base'}."
            )
            yield Snag("fit.tip-up", Level.STOP, text, case.letter, f"{case.letter}/height", fix)


CHECKS: tuple[Check, ...] = (run_against_alcove, through_the_mouth, under_the_ceiling)
