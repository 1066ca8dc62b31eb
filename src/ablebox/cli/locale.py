# SPDX-License-Identifier: GPL-3.0-or-later
"""Where the program runs, as far as paper is concerned."""

from __future__ import annotations

import os


def locale() -> str:
    """Return the locale that decides on the size of paper, such as ``en_US.UTF-8``; empty where none is set."""
    return next((os.environ[name] for name in ("LC_ALL", "LC_PAPER", "LANG") if os.environ.get(name)), "")
