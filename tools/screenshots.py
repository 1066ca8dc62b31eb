# SPDX-License-Identifier: GPL-3.0-or-later
"""Takes a picture of each stage of the demo projects; run by ``make screenshots``."""

from __future__ import annotations

import sys
import tempfile
from pathlib import Path

#: Which pictures of which demo are kept.
KEPT = {
    "lantern-yard": ("case", "fronts", "parts", "sheets", "boards", "rack"),
    "harbour-cottage": ("room",),
    "heron-house": ("run", "sticks", "bench", "days"),
    "orchard-corner": ("plan",),
    "weir-loft": ("mm-room",),
    "mill-pantry": ("mm-sheets", "mm-bench"),
    "quarry-hall": ("fit",),
}


def main() -> None:
    """Write the pictures to the folder that is named."""
    from platformdirs import unix

    with tempfile.TemporaryDirectory() as home:
        # The pictures must not depend on the settings of whoever takes them.
        unix.Unix.user_config_dir = property(lambda _: home)  # type: ignore[assignment]
        unix.Unix.user_data_dir = property(lambda _: home)  # type: ignore[assignment]
        from ablebox.cli import demo
        from ablebox.window import app

        folder = Path(sys.argv[1])
        folder.mkdir(parents=True, exist_ok=True)
        for name, kept in KEPT.items():
            prefix = "mm-" if kept[0].startswith("mm-") else ""
            taken = Path(home) / name
            taken.mkdir()
            app.pictures(demo.path_of(name), taken, prefix)
            for stem in kept:
                target = folder / f"{stem}.png"
                target.write_bytes((taken / f"{stem}.png").read_bytes())
                print(target)
        for target in app.paper_pictures(demo.path_of("heron-house"), folder):
            print(target)


if __name__ == "__main__":
    main()
