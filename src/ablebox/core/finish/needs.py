# SPDX-License-Identifier: GPL-3.0-or-later
"""What a finish takes: area by schedule, litres of each product, and the faces nobody has decided on."""

from __future__ import annotations

from collections.abc import Iterator
from dataclasses import dataclass

from ..coats.schedule import Schedule, schedules
from ..shop.made import Made
from .faces import FaceOf, Where, faces

#: What is bought beyond what is reckoned (common practice: a tenth stays in the tin and the brush).
_SPARE = 1.1
#: Panels that come finished, or are none to be painted.
_READY = frozenset({"melamine", "glass", "mirror", "acrylic"})


@dataclass(frozen=True, slots=True)
class Amount:
    """How much of a product is needed.

    Args:
        product: what.
        coats: how many coats.
        area: square metres all coats together.
        litres: to be bought.
        source: where its coverage comes from.
    """

    product: str
    coats: int
    area: float
    litres: float
    source: str


def schedule_of(made: Made, where: Where) -> Schedule | None:
    """Return the finish of what looks somewhere; ``None`` where it gets none, or nobody has said."""
    book = made.project.coats
    code = {Where.SEEN: book.outside, Where.INSIDE: book.inside}.get(where, "")
    return schedules()[code] if code else None


def finished(made: Made, letter: str) -> list[FaceOf]:
    """Return the faces of a case that get a coat."""
    rack = made.project.rack
    return [
        row for row in faces(made, letter)
        if (found := schedule_of(made, row.where)) is not None and found.coats and rack.stock(row.part.goods).stuff not in _READY
    ]  # fmt: skip


def amounts(made: Made) -> list[Amount]:
    """Return what the finish of a job takes, in the order it is put on."""
    areas: dict[str, list[float]] = {}
    rows: dict[str, tuple[int, float, float, str]] = {}
    for case, _ in made.built:
        for row in finished(made, case.letter):
            found = schedule_of(made, row.where)
            assert found is not None
            areas.setdefault(found.code, [0.0, 0.0])[1 if row.edge else 0] += row.area * case.copies
    for code, (flat, edge) in areas.items():
        for coat in schedules()[code].coats:
            area = edge if coat.edges else flat + edge
            count, all_of, litres, source = rows.get(coat.product, (0, 0.0, 0.0, coat.source))
            rows[coat.product] = count + 1, all_of + area, litres + area / coat.covers * _SPARE, source
    return [Amount(product, *row) for product, row in rows.items()]


def undecided(made: Made) -> Iterator[FaceOf]:
    """Return the faces nobody has decided on."""
    for case, _ in made.built:
        yield from (row for row in faces(made, case.letter) if row.where is Where.UNDECIDED)
