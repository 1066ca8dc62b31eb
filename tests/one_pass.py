# SPDX-License-Identifier: GPL-3.0-or-later
"""One random design taken all the way: built, proven in space, its hardware and fasteners too, and built again step by step."""

from __future__ import annotations

import json
from collections import Counter
from dataclasses import dataclass, field, replace
from random import Random

from ablebox.core.assembly.check import check
from ablebox.core.assembly.fitting import FittingKind
from ablebox.core.assembly.part import Assembly
from ablebox.core.assembly.proof import Fault, Finding, prove
from ablebox.core.bench.bench import Bench
from ablebox.core.bench.fitting import IN_ROOM
from ablebox.core.bench.replay import replay
from ablebox.core.bench.verb import What
from ablebox.core.drawing.bench_words import BenchWords
from ablebox.core.paper.data.assembly_json import assembly_tree
from ablebox.core.paper.data.steps_json import steps_tree
from ablebox.core.paper.lists.buying import hardware
from ablebox.core.parts.words import named
from ablebox.core.project.tree import new_project
from ablebox.core.shop.made import Made
from ablebox.core.units import System
from tests.designs import any_case, random_ends, random_extra, random_rack

#: What is told to the one who designs; every other finding is a fault of ours.
TOLD = (Fault.AIR, Fault.LOOSE, Fault.ONE_SIDED)


def _is_told(finding: Finding) -> bool:
    """Whether a finding is of the design: a rod that was set where the fronts are as well, a rack on a door."""
    fitting = finding.fitting
    chosen = fitting is not None and fitting.kind in (FittingKind.ROD, FittingKind.SOCKET, FittingKind.DOOR_RACK)
    return finding.fault in TOLD or (finding.fault in (Fault.CLASH, Fault.RACK, Fault.SWING) and chosen)


@dataclass
class Outcome:
    """What came of a design.

    Args:
        made: the project; ``None`` if the design was refused.
        air: whether a slide hangs on air, which stops the case.
        loose: whether something is held by nothing, which stops it too.
        stuck: whether no order of work was found.
        faults: what is wrong with it and should not be.
    """

    made: Made | None = None
    air: bool = False
    loose: bool = False
    stuck: bool = False
    faults: list[str] = field(default_factory=list)

    @property
    def assembly(self) -> Assembly:
        """The case."""
        assert self.made is not None
        return self.made.assembly("A")


def one_pass(seed: int) -> Outcome:
    """Return what came of the design of a seed."""
    rng = Random(seed)
    case, rack = any_case(rng), random_rack(rng)
    case = replace(case, **{f"{side}_seen": end for side, end in random_ends(rng).items()})
    made = Made(replace(new_project(rng.choice(list(System))), rack=rack, cases=(replace(case, in_alcove=False),)))
    if not made.built:
        return Outcome()
    # By dice of their own, so that the rest of a design stays as it was.
    apart = Random(seed)
    for _ in range(4 if apart.random() < 0.3 else 0):
        case = made.project.cases[0]
        extras = (*case.extras, random_extra(apart, made.assembly("A").parts))
        more = Made(replace(made.project, cases=(replace(case, extras=extras),)))
        made = more if more.built else made
    found = Outcome(made)
    assembly = found.assembly
    found.faults = [flaw.words for flaw in check(assembly)]
    findings = prove(assembly)
    found.air = any(each.fault is Fault.AIR for each in findings)
    found.loose = any(each.fault is Fault.LOOSE for each in findings)
    found.faults += [f"{each.fault.value} in {', '.join(each.roles)}" for each in findings if not _is_told(each)]
    if found.air and not assembly.wanting:
        found.faults.append("a slide on air that nobody tells")
    if not assembly.wanting and any(each.fault is Fault.ONE_SIDED for each in findings):
        found.faults.append("what joins a front to its case holds one of them only, and nobody tells")
    bench = Bench(made)
    found.stuck = any(case.stuck for case in bench.cases)
    if not found.stuck:
        space, steps = json.loads(json.dumps(assembly_tree(made))), json.loads(json.dumps(steps_tree(bench)))
        found.faults += replay(space, steps)
        if not assembly.wanting:
            found.faults += unfetched(made, bench)
    return found


def unfetched(made: Made, bench: Bench) -> list[str]:
    """Return what is bought for a job and fetched at no step, at the bench or in the room, or fetched and not bought."""
    words = BenchWords(bench)
    left = Counter(dict(hardware(made)))
    for part in made.parts:
        for band in part.bands:
            left[band.edging.name] += band.run.ticks * part.count
    names = {called: name for name in left for called in (name, named(1, name))}
    for job in bench.steps:
        for letter, step in job.rows:
            copies = made.project.case(letter).copies if bench.is_case(letter) else 1
            into_wall = {each.fastener.name for each in made.anchors if each.letter == letter}
            for count, called in words.fetched.rows(letter, step):
                if count.endswith("×"):
                    name = names.get(called, called)
                    # What joins cases is there once, whatever of them there is more of.
                    times = 1 if step.what in IN_ROOM and name not in into_wall else copies
                    left[name] -= int(count.removesuffix("×")) * times
            if step.what is What.BAND:
                bands = words.fetched.bands(letter, step)
                left.subtract({name: run * copies for name, (_, run) in bands.items()})
    return [
        f"{abs(more)} × {name} are {'bought' if more > 0 else 'fetched'} and not {'fetched' if more > 0 else 'bought'}"
        for name, more in left.items()
        if more
    ]
