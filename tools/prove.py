# SPDX-License-Identifier: GPL-3.0-or-later
"""Builds random designs of every mixture of schools and proves each in space; run by ``make prove``.

A long run of what the tests do in short: ``make prove COUNT=200000``.
"""

from __future__ import annotations

import sys
from collections import Counter
from pathlib import Path
from random import Random

sys.path.insert(0, str(Path(__file__).resolve().parent.parent))

from tests.designs import any_case, random_rack

from ablebox.core.assembly.check import check
from ablebox.core.cabinet.build import build
from ablebox.core.errors import SizeImpossible
from ablebox.core.units import Units


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
            assembly = build(case, rack, Units())
        except SizeImpossible:
            found["refused"] += 1
            continue
        flaws = check(assembly)
        found["flawed" if flaws else "proven"] += 1
        if flaws:
            flawed.append((seed, flaws[0].words))
    print(f"{count} designs: {found['proven']} proven, {found['refused']} refused, {found['flawed']} flawed")
    for seed, words in flawed[:20]:
        print(f"  seed {seed}: {words}")
    return 1 if flawed else 0


if __name__ == "__main__":
    sys.exit(main())
