# SPDX-License-Identifier: GPL-3.0-or-later
"""The entry point: a command without the window, or the window.

Order of start-up: read the command line; run a command if one was named; only otherwise load
Qt and open the window. Status 0 is well, 1 means that something stops the work (``check``),
2 that the command could not be carried out.
"""

from __future__ import annotations

import os
import sys
from collections.abc import Sequence
from pathlib import Path

from . import collecting
from .cli import commands
from .core.errors import AbleBoxError


def main(argv: Sequence[str] | None = None) -> int:
    """Run Able Box with these arguments, the program's own if none are given."""
    collecting.rarely()
    words = list(sys.argv[1:] if argv is None else argv)
    if words and words[0] not in commands.NAMES and not words[0].startswith("-"):
        words = ["open", *words]
    words = words or ["open"]
    arguments = commands.parser(words).parse_args(words)
    try:
        if arguments.command == "open":
            return _window(Path(arguments.file) if arguments.file else None, arguments.verbose)
        if arguments.command == "demo" and not arguments.list:
            return _demo(arguments.name, arguments.without_display)
        return commands.run(arguments)
    except AbleBoxError as fault:
        file = getattr(arguments, "file", None)
        where = f"{file}: " if file and file not in str(fault) else ""
        print(f"ablebox: {where}{fault}", file=sys.stderr)
        return 2
    except BrokenPipeError:
        sys.stderr.close()
        return 2


def _window(path: Path | None, verbose: bool) -> int:
    # The window is loaded only when one is wanted: commands must run where there is no Qt.
    from .window import app

    return app.run(path, verbose=verbose)


def _demo(name: str, out: str | None) -> int:
    from .cli import demo
    from .window import app

    path = demo.path_of(name)

    if app.has_display():
        return app.run(path, as_copy=True)
    folder = Path(out) if out else Path("out/demo")
    print(f"There is no display; writing the demo's shop book, cut list and pictures to {folder}.")
    app.write_demo(path, folder)
    sys.stdout.flush()
    # Everything is written. The toolkit and Python taken down in some order at the very end can crash.
    os._exit(0)


if __name__ == "__main__":
    sys.exit(main())
