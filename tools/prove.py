# SPDX-License-Identifier: GPL-3.0-or-later
"""Takes random designs of every mixture of schools all the way: space, hardware, fasteners and order; run by ``make prove``.

A long run of what the tests do in short: ``make prove COUNT=200000``.
"""

from __future__ import annotations

import sys
from collections import Counter
from pathlib import Path

sys.path.insert(0, str(Path(__file__).resolve().parent.parent))

from tests.one_pass import one_pass


def main() -> int:
    """Take ``COUNT`` designs from seed ``FIRST`` on; status 1 if any has a fault."""
    count = int(sys.argv[1]) if len(sys.argv) > 1 else 20_000
    first = int(sys.argv[2]) if len(sys.argv) > 2 else 0
    found: Counter[str] = Counter()
    flawed = []
    for seed in range(first, first + count):
        outcome = one_pass(seed)
        if outcome.made is None:
            found["refused"] += 1
            continue
        found["stopped for a slide on air"] += outcome.air
        found["stopped for something loose"] += outcome.loose
        found["told that no order of work was found"] += outcome.stuck
        found["flawed" if outcome.faults else "proven"] += 1
        if outcome.faults:
            flawed.append((seed, outcome.faults[0]))
    print(f"{count} designs: {found['proven']} proven, {found['refused']} refused, {found['flawed']} flawed")
    for words in ("stopped for a slide on air", "stopped for something loose", "told that no order of work was found"):
        print(f"{found[words]} of them {words}")
    for seed, words in flawed[:20]:
        print(f"  seed {seed}: {words}")
    return 1 if flawed else 0


if __name__ == "__main__":
    sys.exit(main())
