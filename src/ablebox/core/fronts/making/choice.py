# SPDX-License-Identifier: GPL-3.0-or-later
"""All ways of making a leaf, and all fits."""

from __future__ import annotations

from ..fit.full_overlay import FullOverlay
from ..fit.half_overlay import HalfOverlay
from ..fit.inset_fit import Inset
from ..fit.lipped import Lipped
from ..fit.overlay import Overlay
from .frame_panel import FramePanel
from .rabbet_panel import RabbetPanel
from .same import LikeDoors
from .slab import Slab

Making = Slab | FramePanel | RabbetPanel
OwnMaking = LikeDoors | Slab | FramePanel | RabbetPanel
Fit = FullOverlay | Overlay | HalfOverlay | Inset | Lipped
