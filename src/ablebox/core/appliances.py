# SPDX-License-Identifier: GPL-3.0-or-later
"""Appliances by kind: what they are called, and which of them are hot above."""

from __future__ import annotations

from dataclasses import dataclass


@dataclass(frozen=True, slots=True)
class Appliance:
    """A kind of appliance.

    Args:
        words: what it is called.
        hot: whether wood over it keeps its distance.
        hangs: whether it is hung under or between cases, by screws of its own.
    """

    words: str
    hot: bool = False
    hangs: bool = False


APPLIANCES: dict[str, Appliance] = {
    "oven": Appliance("oven"),
    "microwave": Appliance("microwave", hangs=True),
    "dishwasher": Appliance("dishwasher"),
    "refrigerator": Appliance("refrigerator"),
    "washer": Appliance("washing machine"),
    "range": Appliance("range", True),
    "cooktop": Appliance("cooktop", True),
    "hood": Appliance("hood", hangs=True),
    "heater": Appliance("heater", True),
    "other": Appliance("appliance"),
}
