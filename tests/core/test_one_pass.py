# SPDX-License-Identifier: GPL-3.0-or-later
"""Random designs of every mixture of schools, each taken all the way: space, hardware, and the order of work."""

from __future__ import annotations

import unittest

from ablebox.core.bench.bench import bench_of
from ablebox.core.snags.every import snags
from tests.many import many
from tests.one_pass import one_pass


class OnePass(unittest.TestCase):
    def test_random_mixtures_go_together_and_can_be_built_step_by_step(self) -> None:
        """No flaw in space, none in hardware, every number the sum of its terms; what no order was found for says so."""
        built = air = stuck = seed = 0
        while built < many(300):
            seed += 1
            found = one_pass(seed)
            if found.made is None:
                continue
            built, air, stuck = built + 1, air + found.air, stuck + found.stuck
            self.assertEqual(found.faults, [], f"seed {seed}")
            assembly = found.assembly
            roles = [part.role for part in assembly.parts]
            self.assertEqual(len(roles), len(set(roles)), f"seed {seed}")
            self.assertEqual(
                found.air, any(want.want.value in ("upright", "under") for want in assembly.wanting), f"seed {seed}"
            )
            if found.stuck:
                bench_of(found.made)
                self.assertIn("bench.order", {snag.code for snag in snags(found.made)}, f"seed {seed}")
            if seed % 20 == 0:
                for number in (*assembly.sums, *(p.length for p in assembly.parts), *(p.width for p in assembly.parts)):
                    if number.terms:
                        self.assertEqual(number.total(), number.length, f"seed {seed}: {number.label}")
        self.assertLess(air, built / 4)
        self.assertLess(stuck, built / 10)


if __name__ == "__main__":
    unittest.main()
