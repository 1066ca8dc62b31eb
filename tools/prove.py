# SPDX-License-Identifier: GPL-3.0-or-later
"""Builds random designs of every mixture of schools and proves each in space, its hardware and fasteners too; run by ``make prove``.

A long run of what the tests do in short: ``make prove COUNT=200000``.
"""

from __future__ import annotations

import sys
from collections import Counter
from pathlib import Path
from random import Random

sys.path.insert(0, str(Path(__file__).resolve().parent.parent))

from tests.designs import any_case, random_ends, random_rack

from ablebox.core.assembly.check import check
from ablebox.core.assembly.proof import Fault, prove
from ablebox.core.cabinet.build import build
from ablebox.core.errors import SizeImpossible
from ablebox.core.units import Units

_TOLD = (Fault.AIR, Fault.LOOSE)


def main() -> int:
    """Build ``COUNT`` designs from seed ``FIRST`` on; status 1 if any has a flaw."""
    count = int(sys.argv[1]) if len(sys.argv) > 1 else 20_000
    first = int(sys.argv[2]) if len(sys.argv) > 2 else 0
    found: Counter[str] = Counter()
    flawed = []
    for seed in range(first, first + count):
        rng = Random(seed)
        case, rack = any_case(rng), random_rack(rng)
        try:
            assembly = build(case, rack, Units(), seen=random_ends(rng))
        except SizeImpossible:
            found["refused"] += 1
            continue
        flaws = [flaw.words for flaw in check(assembly)]
        # A slide on air, and what nothing can hold, are snags that stop the case; every other finding is a fault of ours.
        findings = prove(assembly)
        air = [each for each in findings if each.fault is Fault.AIR]
        found["stopped for a slide on air"] += bool(air)
        found["stopped for something loose"] += any(each.fault is Fault.LOOSE for each in findings)
        flaws += [f"{each.fault.value} in {', '.join(each.roles)}" for each in findings if each.fault not in _TOLD]
        if air and not assembly.wanting:
            flaws.append("a slide on air that nobody tells")
        found["flawed" if flaws else "proven"] += 1
        if flaws:
            flawed.append((seed, flaws[0]))
    print(f"{count} designs: {found['proven']} proven, {found['refused']} refused, {found['flawed']} flawed")
    for words in ("stopped for a slide on air", "stopped for something loose"):
        print(f"{found[words]} of them {words}")
    for seed, words in flawed[:20]:
        print(f"  seed {seed}: {words}")
    return 1 if flawed else 0


if __name__ == "__main__":
    sys.exit(main())
