# SPDX-License-Identifier: GPL-3.0-or-later
"""How often Python looks for objects that hold each other.

Designs, parts and plans are trees that hold nothing back, and live long: looking through them every 700 new objects, as Python
does if nobody says otherwise, took a sixth of the time of the steps at the bench and found nothing.
"""

import gc

#: New objects between two looks, and how many looks of one age make one of the next.
_OBJECTS, _YOUNG, _OLD = 20_000, 20, 50


def rarely() -> None:
    """Look less often from now on."""
    gc.set_threshold(_OBJECTS, _YOUNG, _OLD)
