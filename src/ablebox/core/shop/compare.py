# SPDX-License-Identifier: GPL-3.0-or-later
"""Two cut plans side by side: what each takes, leaves and asks of the saw."""

from __future__ import annotations

from ..cuts.divide import Board
from ..cuts.plan import Plan
from ..cuts.saw_order import cuts_of
from ..lengths import Length
from ..units import Units


def largest_rest(plan: Plan) -> Board | None:
    """Return the largest offcut a plan leaves of the sheets that are bought."""
    rests = [rest for sheet in plan.sheets if not sheet.supply.offcut for rest in cuts_of(plan, sheet).rests[:1]]
    return max(rests, key=lambda rest: rest.length * rest.width, default=None)


def facts(plan: Plan, units: Units) -> list[tuple[str, str]]:
    """Return what is worth comparing of a plan, each with its name."""
    orders = [cuts_of(plan, sheet) for sheet in plan.sheets]
    offcuts, rest = len(plan.sheets) - plan.bought, largest_rest(plan)
    size = f"{units.write(Length(rest.length))} × {units.write(Length(rest.width))}" if rest else "none"
    return [
        ("sheets", f"{plan.bought}" + (f" + {offcuts}" if offcuts else "")),
        ("largest offcut", size),
        ("cuts", str(sum(len(order.cuts) for order in orders))),
        ("fence settings", str(sum(order.settings for order in orders))),
        ("no fewer sheets", "proven" if plan.proven else f"at least {plan.bound.sheets}"),
    ]
