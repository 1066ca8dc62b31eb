# SPDX-License-Identifier: GPL-3.0-or-later
"""All fits, of a whole face and of one front."""

from __future__ import annotations

from .full_overlay import FullOverlay
from .half_overlay import HalfOverlay
from .inset_fit import Inset
from .lipped import Lipped
from .overlay import Overlay
from .same import LikeOthers

Fit = FullOverlay | Overlay | HalfOverlay | Inset | Lipped
OwnFit = LikeOthers | FullOverlay | Overlay | HalfOverlay | Inset | Lipped
