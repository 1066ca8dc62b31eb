# SPDX-License-Identifier: GPL-3.0-or-later
"""Sizes of paper: the American ones after ANSI/ASME Y14.1 (from memory), those of the rest of the world after ISO 216."""

from __future__ import annotations

from dataclasses import dataclass

from ...errors import AbleBoxError
from ...units import System

#: Points in a millimetre.
MM = 72 / 25.4
#: Width and height upright, in points.
_SIZES = {
    "letter": (612.0, 792.0), "legal": (612.0, 1008.0), "tabloid": (792.0, 1224.0), "a4": (210 * MM, 297 * MM), "a3": (297 * MM, 420 * MM),
}  # fmt: skip
_AMERICAN = frozenset({"letter", "legal", "tabloid"})
_ACROSS = "-across"
#: Every size by its name, upright and across.
NAMES = tuple(name + across for name in _SIZES for across in ("", _ACROSS))
#: What they are called.
CALLED = {"letter": "Letter", "legal": "Legal", "tabloid": "Tabloid", "a4": "A4", "a3": "A3"}
#: Countries where Letter is the usual size (Unicode CLDR, paper sizes by territory, from memory).
_LETTER = frozenset({"BZ", "CA", "CL", "CO", "CR", "GT", "MX", "NI", "PA", "PH", "PR", "SV", "US", "VE"})


class UnknownPaper(AbleBoxError):
    """A size of paper that is none.

    Args:
        name: as it was given.
    """

    def __init__(self, name: str) -> None:
        super().__init__(f"{name!r} is no size of paper; one of {', '.join(NAMES)} is.")
        self.name = name


@dataclass(frozen=True, slots=True)
class Paper:
    """A size of paper.

    Args:
        name: such as ``a4`` or ``a4-across``.
        width: in points.
        height: in points.
        american: whether it is one of the American sizes.
        words: what it is called.
    """

    name: str
    width: float
    height: float
    american: bool
    words: str

    @property
    def size(self) -> tuple[float, float]:
        """Width and height, in points."""
        return self.width, self.height


def paper(name: str) -> Paper:
    """Return a size of paper by its name.

    Raises:
        UnknownPaper: if there is none of that name.
    """
    kind = name.strip().lower()
    if kind not in NAMES:
        raise UnknownPaper(name)
    upright = kind.removesuffix(_ACROSS)
    (wide, high), american = _SIZES[upright], upright in _AMERICAN
    if kind == upright:
        return Paper(kind, wide, high, american, f"{CALLED[upright]}, upright")
    return Paper(kind, high, wide, american, f"{CALLED[upright]}, across")


def usual_paper(locale: str, system: System) -> Paper:
    """Return the size usual where a locale such as ``en_US.UTF-8`` is spoken; where none is told, after the units."""
    country = locale.partition(".")[0].partition("@")[0].partition("_")[2].upper()
    if country:
        return paper("letter" if country in _LETTER else "a4")
    return paper("letter" if system is System.INCH else "a4")
