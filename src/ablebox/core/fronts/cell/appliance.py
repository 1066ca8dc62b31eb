# SPDX-License-Identifier: GPL-3.0-or-later
"""The place of an appliance: an opening without a front, held against the appliance and the air it wants.

The gap is the appliance plus its clearances; its depth includes handles and the air behind it
(common practice; the appliance's own manual has the last word).
"""

from __future__ import annotations

from dataclasses import dataclass
from typing import ClassVar

from ...appliances import APPLIANCES
from ...case.fields import check_names, one_of, optional_size, size
from ...case.shell import Work
from ...lengths import ZERO, Length
from ...reckoning import Origin, leaf
from ..area import Area
from ..fit.same import LikeOthers
from .context import FaceContext

#: What stands there: its code, and what it is called.
WORDS = {code: each.words for code, each in APPLIANCES.items()}


@dataclass(frozen=True, slots=True)
class ApplianceSpace:
    """Choices of an appliance's place.

    Args:
        what: what stands there.
        width: of the appliance; ``None`` if nobody has said.
        height: of it.
        depth: of it, handles and plugs included.
        air: kept free at each side.
        air_above: kept free above it.
        air_behind: kept free behind it.
    """

    what: str = one_of("appliance", "oven", WORDS)
    width: Length | None = optional_size("its width", "not said")
    height: Length | None = optional_size("its height", "not said")
    depth: Length | None = optional_size("its depth, handles included", "not said")
    air: Length = size("air at each side", ZERO, zero=True)
    air_above: Length = size("air above it", ZERO, zero=True)
    air_behind: Length = size("air behind it", ZERO, zero=True)

    words = "appliance"
    opens = ""
    fit: ClassVar[LikeOthers] = LikeOthers()

    def __post_init__(self) -> None:
        check_names(self)

    def build(self, face: FaceContext, area: Area) -> Work:
        """Add nothing but the sizes of its opening."""
        book, role = face.shell.book, area.key("appliance")
        left, right, low, high = area.opening
        bay = face.behind(area)
        end = Length(bay.box.high[1]) if bay is not None else face.back
        work = Work()
        for size_, way in ((right - left, "width"), (high - low, "height"), (end, "depth")):
            number = leaf(size_, f"opening {way}", origin=Origin.RECKONED, note="between what stands around it")
            work.sums.append(book.named(number, f"opening {way}", f"{role}.opening/{way}", measurable=True))
        return work
