# SPDX-License-Identifier: GPL-3.0-or-later
"""All ways of making a leaf, of a whole face and of one front."""

from __future__ import annotations

from .applied_frame import AppliedFrame
from .edged_slab import EdgedSlab
from .frame_panel import FramePanel
from .rabbet_panel import RabbetPanel
from .same import LikeDoors
from .slab import Slab

Making = Slab | EdgedSlab | AppliedFrame | FramePanel | RabbetPanel
OwnMaking = LikeDoors | Slab | EdgedSlab | AppliedFrame | FramePanel | RabbetPanel
