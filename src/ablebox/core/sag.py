# SPDX-License-Identifier: GPL-3.0-or-later
"""How far a shelf, a bottom or a top sags under what it carries.

d = 5 w L^4 / (384 E I) under an even load and P L^3 / (48 E I) under one in the middle, simply supported at both ends
(Euler-Bernoulli beam, as in any handbook of mechanics); built in at both ends it would be a fifth, and a shelf in glued dadoes
is reckoned at half (common practice). Creep makes it more over the years, by a factor of the material (1 + k_def, EN 1995-1-1,
from memory). The eye sees 0.02 in in a foot, which is a six-hundredth of the span; a seat gives by a two-hundred-and-fortieth under whoever sits on it (common practice).
"""

from __future__ import annotations

from dataclasses import dataclass, replace

GRAVITY = 9.81
#: Creep of what nobody has said anything of: that of plywood.
CREEP = 1.8
SEEN = 1 / 600
FELT = 1 / 240
HOUSED = 0.5


@dataclass(frozen=True, slots=True)
class Rail:
    """Something on edge that is fixed along a shelf: a strip, a frame's rail, a kick board; sizes in mm.

    Args:
        wide: its thickness, front to back.
        high: its height.
        middle: height of its middle over the shelf's underside.
        stiffness: modulus of elasticity, in GPa.
    """

    wide: float
    high: float
    middle: float
    stiffness: float


@dataclass(frozen=True, slots=True)
class Shelf:
    """A shelf as a beam; sizes in mm.

    Args:
        span: between its supports.
        depth: front to back.
        thickness: of the shelf.
        stiffness: modulus of elasticity along the span, in GPa.
        density: of its stock, in kg per cubic metre.
        load: on it, in kg per square metre.
        housed: whether it is fixed in dadoes.
        strip: height of a strip glued under its front edge, as thick as the shelf; 0 for none.
        creep: by what the sag grows over the years.
        rails: what stiffens it.
        person: what stands or sits in its middle, in kg.
        helped: stiffness of what bends along with it, E times I in GPa mm^4: the top, where a partition ties both together.
    """

    span: float
    depth: float
    thickness: float
    stiffness: float
    density: float
    load: float
    housed: bool = False
    strip: float = 0.0
    creep: float = CREEP
    rails: tuple[Rail, ...] = ()
    person: float = 0.0
    helped: float = 0.0

    @property
    def line_load(self) -> float:
        """Load and own weight, in newtons per mm of span."""
        own = self.density * self.thickness / 1000
        return (self.load + own) * GRAVITY * self.depth / 1e6

    @property
    def second_moment(self) -> float:
        """Second moment of area of the shelf and what stiffens it, in mm^4 of the shelf's own stock (parallel axis theorem)."""
        pieces = [(self.depth, self.thickness, self.thickness / 2)]
        if self.strip:
            pieces.append((self.thickness, self.strip, -self.strip / 2))
        for rail in self.rails:
            # What is stiffer counts as so much wider.
            pieces.append((rail.wide * rail.stiffness / self.stiffness, rail.high, rail.middle))
        area = sum(b * h for b, h, _ in pieces)
        middle = sum(b * h * y for b, h, y in pieces) / area
        own = sum(b * h**3 / 12 + b * h * (y - middle) ** 2 for b, h, y in pieces)
        return own + self.helped / self.stiffness

    @property
    def _lasting(self) -> float:
        stiff = self.stiffness * 1000 * self.second_moment
        return 5 * self.line_load * self.span**4 / (384 * stiff) * (HOUSED if self.housed else 1.0)

    @property
    def _passing(self) -> float:
        stiff = self.stiffness * 1000 * self.second_moment
        return self.person * GRAVITY * self.span**3 / (48 * stiff) * (HOUSED if self.housed else 1.0)

    @property
    def at_once(self) -> float:
        """The sag when it is loaded, in mm."""
        return self._lasting + self._passing

    @property
    def in_years(self) -> float:
        """The sag after years, creep under what lies there all the time included, in mm."""
        return self._lasting * self.creep + self._passing

    @property
    def ratio(self) -> float:
        """How often what one puts up with it sags: in years what the eye sees, under a person what one feels; above 1 is too much."""
        return max(self._lasting * self.creep / (self.span * SEEN), self._passing / (self.span * FELT))

    @property
    def seen(self) -> bool:
        """Whether it is too much."""
        return self.ratio > 1

    @property
    def longest(self) -> float:
        """The longest span at which it is not too much, in mm."""
        low, high = 0.0, self.span
        if not self.seen:
            high = self.span * 4
        for _ in range(60):
            middle = (low + high) / 2
            if replace(self, span=middle).ratio > 1:
                high = middle
            else:
                low = middle
        return low
