# SPDX-License-Identifier: GPL-3.0-or-later
"""The catalogues of materials and of loads: data rows, each with its unit and its source."""

from __future__ import annotations

import csv
import io
from dataclasses import dataclass
from functools import cache
from importlib.resources import files


@dataclass(frozen=True, slots=True)
class Material:
    """What stock is made of.

    Args:
        code: its short name.
        name: its name.
        stiffness: mean modulus of elasticity along the grain, in GPa.
        across: the same across the grain.
        least: the least a board may have by its standard, in GPa; ``None`` where none is told.
        creep: by what a sag grows over the years under what lies there all the time.
        density: in kg per cubic metre.
        source: where the figures come from.
    """

    code: str
    name: str
    stiffness: float
    across: float
    least: float | None
    creep: float
    density: float
    source: str

    def along_span(self, across: bool) -> float:
        """Return the modulus a span is reckoned with: the least by its standard where there is one, in GPa."""
        mean = self.across if across else self.stiffness
        return min(mean, self.least) if self.least is not None else mean


@dataclass(frozen=True, slots=True)
class Load:
    """What a shelf carries.

    Args:
        code: its short name.
        name: what stands on it.
        weight: in kg per square metre of shelf.
        person: who sits or stands in the middle of its top, in kg; 0 if nobody.
        source: where the figure comes from.
    """

    code: str
    name: str
    weight: float
    person: float
    source: str


def _rows(name: str) -> list[dict[str, str]]:
    text = (files("ablebox") / "assets" / "catalogue" / f"{name}.csv").read_text(encoding="utf-8")
    return list(csv.DictReader(io.StringIO(text)))


@cache
def materials() -> dict[str, Material]:
    """Return all materials by code."""
    found = (
        Material(
            row["code"],
            row["name"],
            float(row["stiffness_gpa"]),
            float(row["across_gpa"]),
            float(row["least_gpa"]) if row["least_gpa"] else None,
            float(row["creep"]),
            float(row["density_kg_m3"]),
            row["source"],
        )
        for row in _rows("materials")
    )
    return {material.code: material for material in found}


@cache
def loads() -> dict[str, Load]:
    """Return all loads by code."""
    found = (
        Load(row["code"], row["name"], float(row["kg_per_m2"]), float(row["person_kg"]), row["source"])
        for row in _rows("loads")
    )
    return {load.code: load for load in found}


def material(code: str) -> Material:
    """Return a material; plywood for a code nobody knows, which a snag tells."""
    return materials().get(code) or materials()["hardwood-ply"]


def load_of(code: str) -> Load:
    """Return a load; that of a kitchen for a code nobody knows, which a snag tells."""
    return loads().get(code) or loads()["kitchen"]
