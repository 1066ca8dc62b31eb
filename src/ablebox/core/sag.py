# SPDX-License-Identifier: GPL-3.0-or-later
"""How far a shelf sags under an even load.

d = 5 w L^4 / (384 E I), simply supported at both ends (Euler-Bernoulli beam, as in any handbook of
mechanics); built in at both ends it would be a fifth, and a shelf in glued dadoes is reckoned at
half (common practice). Creep about doubles it over the years; the eye sees 0.02 in in a foot,
which is a six-hundredth of the span (common practice).
"""

from __future__ import annotations

from dataclasses import dataclass

GRAVITY = 9.81
CREEP = 2.0
SEEN = 1 / 600
HOUSED = 0.5


@dataclass(frozen=True, slots=True)
class Shelf:
    """A shelf as a beam; sizes in mm.

    Args:
        span: between its supports.
        depth: front to back.
        thickness: of the shelf.
        stiffness: modulus of elasticity, in GPa.
        density: of its stock, in kg per cubic metre.
        load: on it, in kg per square metre.
        housed: whether it is fixed in dadoes.
        strip: height of a strip glued under its front edge, as thick as the shelf; 0 for none.
    """

    span: float
    depth: float
    thickness: float
    stiffness: float
    density: float
    load: float
    housed: bool = False
    strip: float = 0.0

    @property
    def line_load(self) -> float:
        """Load and own weight, in newtons per mm of span."""
        own = self.density * self.thickness / 1000
        return (self.load + own) * GRAVITY * self.depth / 1e6

    @property
    def second_moment(self) -> float:
        """Second moment of area of shelf and strip together, in mm^4 (parallel axis theorem)."""
        pieces = [(self.depth, self.thickness, self.thickness / 2)]
        if self.strip:
            pieces.append((self.thickness, self.strip, -self.strip / 2))
        area = sum(b * h for b, h, _ in pieces)
        middle = sum(b * h * y for b, h, y in pieces) / area
        return sum(b * h**3 / 12 + b * h * (y - middle) ** 2 for b, h, y in pieces)

    @property
    def at_once(self) -> float:
        """The sag when it is loaded, in mm."""
        d = 5 * self.line_load * self.span**4 / (384 * self.stiffness * 1000 * self.second_moment)
        return d * HOUSED if self.housed else d

    @property
    def in_years(self) -> float:
        """The sag after years, creep included, in mm."""
        return self.at_once * CREEP

    @property
    def seen(self) -> bool:
        """Whether the eye sees it, in years."""
        return self.in_years > self.span * SEEN

    @property
    def longest(self) -> float:
        """The longest span at which the eye does not see it, in mm."""
        return float(self.span * (self.span * SEEN / self.in_years) ** (1 / 3))
