# SPDX-License-Identifier: GPL-3.0-or-later
"""Takes a picture of each stage of the demo projects; run by ``make screenshots``."""

from __future__ import annotations

import sys
import tempfile
from pathlib import Path


def main() -> None:
    """Write the pictures to the folder that is named."""
    from platformdirs import unix

    with tempfile.TemporaryDirectory() as home:
        # The pictures must not depend on the settings of whoever takes them.
        unix.Unix.user_config_dir = property(lambda _: home)  # type: ignore[assignment]
        from ablebox.cli import demo
        from ablebox.window import app

        folder = Path(sys.argv[1])
        folder.mkdir(parents=True, exist_ok=True)
        for path in app.pictures(demo.path_of("harbour-cottage"), folder):
            print(path)
        for path in app.pictures(demo.path_of("mill-pantry"), folder, "mm-"):
            print(path)


if __name__ == "__main__":
    main()
