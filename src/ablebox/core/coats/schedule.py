# SPDX-License-Identifier: GPL-3.0-or-later
"""Schedules of a finish: coat by coat the product, the grit before, how long it waits and how far it goes.

Data rows with their source (``finishes.csv``); the maker's figures decide in the end.
"""

from __future__ import annotations

import csv
import io
from dataclasses import dataclass
from functools import cache
from importlib.resources import files


@dataclass(frozen=True, slots=True)
class Coat:
    """A coat.

    Args:
        product: what is put on.
        edges: whether it goes on edges only.
        grit: of the paper before it.
        recoat: minutes until the next may follow.
        cure: hours until what it is on may be used.
        least: the least temperature, in degrees Celsius.
        covers: square metres a litre goes.
        source: where the figures come from.
    """

    product: str
    edges: bool
    grit: int
    recoat: int
    cure: int
    least: int
    covers: float
    source: str


@dataclass(frozen=True, slots=True)
class Schedule:
    """A finish.

    Args:
        code: what stands in files.
        name: what it is called.
        coats: one after another; none where nothing is put on.
    """

    code: str
    name: str
    coats: tuple[Coat, ...]

    @property
    def wait(self) -> int:
        """Minutes all its coats wait together, the last until it may be touched as until another coat."""
        return sum(coat.recoat for coat in self.coats)

    @property
    def least(self) -> int | None:
        """The least temperature all its coats may have; ``None`` where there are none."""
        return max((coat.least for coat in self.coats), default=None)


@cache
def schedules() -> dict[str, Schedule]:
    """Return all schedules by their code."""
    text = (files("ablebox") / "assets" / "catalogue" / "finishes.csv").read_text(encoding="utf-8")
    names: dict[str, str] = {}
    coats: dict[str, list[Coat]] = {}
    for row in csv.DictReader(io.StringIO(text)):
        names[row["schedule"]] = row["name"]
        found = coats.setdefault(row["schedule"], [])
        if row["product"]:
            found.append(
                Coat(
                    row["product"], row["surface"] == "edges", int(row["grit_before"]), int(row["minutes_recoat"]), int(row["hours_cure"]),
                    int(row["least_c"]), float(row["m2_per_litre"]), row["source"],
                )
            )  # fmt: skip
    return {code: Schedule(code, name, tuple(coats[code])) for code, name in names.items()}
