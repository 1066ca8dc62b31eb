# SPDX-License-Identifier: GPL-3.0-or-later
"""Holds a plan of days, as it is told to the outside, against every rule; it shares no code with what plans.

Plain data with ISO times (``docs/checks.md``): work lies in hours, never more hands than there are, noise where it is allowed, glue
and coats warm until they are set, the order of the bench, trades and deliveries.
"""

from __future__ import annotations

from collections.abc import Iterator
from datetime import datetime, timedelta
from typing import Any

_STEP = timedelta(minutes=5)


def faults(told: dict[str, Any], needs: dict[int, list[int]]) -> list[str]:
    """Return everything that breaks a rule; nothing is the proof of the plan.

    Args:
        told: the plan, as ``ablebox schedule`` tells it.
        needs: the numbers of the steps each step needs, as ``ablebox steps`` tells them.
    """
    return list(_faults(told, needs))


def _faults(told: dict[str, Any], needs: dict[int, list[int]]) -> Iterator[str]:
    hours = [
        (datetime.fromisoformat(row["start"]), datetime.fromisoformat(row["end"]), row) for row in told["hours"]
    ]  # fmt: skip

    def hour_at(at: datetime) -> dict[str, Any] | None:
        return next((row for start, end, row in hours if start <= at < end), None)

    busy: dict[datetime, int] = {}
    begins: dict[int, datetime] = {}
    free: dict[int, datetime] = {}
    for task in told["tasks"]:
        n, last = task["n"], None
        free[n] = datetime.fromisoformat(task["free_from"])
        for part in task["parts"]:
            start, end = datetime.fromisoformat(part["start"]), datetime.fromisoformat(part["end"])
            if end <= start or (last is not None and start < last):
                yield f"step {n}: a part ends before it begins, or begins before the one before it ends"
            begins.setdefault(n, start)
            last, at = end, start
            while at < end:
                hour = hour_at(at)
                busy[at] = busy.get(at, 0) + task["hands"]
                if hour is None or hour["hands"] < task["hands"]:
                    yield f"step {n}: at {at.isoformat()} too few people are there"
                elif task["noisy"] and not hour["noisy"]:
                    yield f"step {n}: at {at.isoformat()} no noise may be made"
                elif task["least_c"] is not None and hour["celsius"] < task["least_c"]:
                    yield f"step {n}: at {at.isoformat()} it is too cold"
                at += _STEP
        if last is None:
            yield f"step {n}: it is never done"
            continue
        if free[n] < last:
            yield f"step {n}: it is free before it is done"
        if task["least_c"] is not None:
            for start, end, hour in hours:
                if start < free[n] and end > last and hour["celsius"] < task["least_c"]:
                    yield f"step {n}: it falls below {task['least_c']} degrees before it is set"
                    break
    for at, hands in busy.items():
        hour = hour_at(at)
        if hour is not None and hands > hour["hands"]:
            yield f"at {at.isoformat()} {hands} are needed and {hour['hands']} are there"
    for n, start in begins.items():
        for before in needs.get(n, ()):
            if before in free and free[before] > start:
                yield f"step {n} begins before step {before} is free"
    for other in told["fixed"]:
        at = datetime.fromisoformat(other["at"])
        for n in other["before"]:
            if n in free and free[n] > at:
                yield f"step {n} is not done when {other['what']} comes"
        for n in other["after"]:
            if n in begins and begins[n] < at:
                yield f"step {n} begins before {other['what']} comes"
