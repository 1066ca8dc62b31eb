# SPDX-License-Identifier: GPL-3.0-or-later
"""All joints of panels, and the two ways of using them: at the case's ends, and in its middle."""

from __future__ import annotations

from .butt import Butt
from .dado import Dado
from .over import LaidOver
from .rabbet import Rabbet

#: Where a panel ends in the middle of another: fixed shelves and partitions.
MiddleJoint = Butt | Dado
#: Where a panel closes the end of the sides: bottom and top.
EndJoint = Butt | Dado | Rabbet | LaidOver
