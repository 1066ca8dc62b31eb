# SPDX-License-Identifier: GPL-3.0-or-later
"""All ways an end may look."""

from __future__ import annotations

from .end_panel import EndPanel
from .good_face import GoodFace
from .undecided import Undecided

SeenEnd = Undecided | GoodFace | EndPanel
#: Where each side's end stands in a design.
ENDS = {"left": "left_seen", "right": "right_seen"}
