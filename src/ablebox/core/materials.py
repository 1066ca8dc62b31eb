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
        stiffness: modulus of elasticity along the grain, in GPa.
        density: in kg per cubic metre.
        source: where the figures come from.
    """

    code: str
    name: str
    stiffness: float
    density: float
    source: str


@dataclass(frozen=True, slots=True)
class Load:
    """What a shelf carries.

    Args:
        code: its short name.
        name: what stands on it.
        weight: in kg per square metre of shelf.
        source: where the figure comes from.
    """

    code: str
    name: str
    weight: float
    source: str


def _rows(name: str) -> list[dict[str, str]]:
    text = (files("ablebox") / "assets" / "catalogue" / f"{name}.csv").read_text(encoding="utf-8")
    return list(csv.DictReader(io.StringIO(text)))


@cache
def materials() -> dict[str, Material]:
    """Return all materials by code."""
    found = (
        Material(row["code"], row["name"], float(row["stiffness_gpa"]), float(row["density_kg_m3"]), row["source"])
        for row in _rows("materials")
    )
    return {material.code: material for material in found}


@cache
def loads() -> dict[str, Load]:
    """Return all loads by code."""
    found = (Load(row["code"], row["name"], float(row["kg_per_m2"]), row["source"]) for row in _rows("loads"))
    return {load.code: load for load in found}
