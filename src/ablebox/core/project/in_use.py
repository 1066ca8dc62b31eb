# SPDX-License-Identifier: GPL-3.0-or-later
"""Who has a project open: a small file beside it that names host, process and time, so that two people do not write over each other."""

from __future__ import annotations

import json
import os
import socket
from contextlib import suppress
from dataclasses import dataclass
from pathlib import Path


@dataclass(frozen=True, slots=True)
class Holder:
    """Who has a project open.

    Args:
        host: name of the machine.
        process: number of the process there.
        since: when it was opened, in seconds since 1970.
    """

    host: str
    process: int
    since: int


def _beside(path: Path) -> Path:
    return path.with_name(f".{path.name}.open")


def holder(path: Path) -> Holder | None:
    """Return who else has a project open; ``None`` if nobody has, or the process that had it is gone."""
    try:
        tree = json.loads(_beside(path).read_text(encoding="utf-8"))
        found = Holder(str(tree["host"])[:80], int(tree["process"]), int(tree["since"]))
    except (OSError, ValueError, LookupError, TypeError):
        return None
    here = found.host == socket.gethostname()
    if here and (found.process == os.getpid() or not _runs(found.process)):
        return None
    return found


def _runs(process: int) -> bool:
    try:
        os.kill(process, 0)
    except ProcessLookupError:
        return False
    except (OSError, OverflowError):
        return True
    return True


def take(path: Path, now: int) -> None:
    """Note that this process has a project open now; where the disk refuses nobody can write there anyway."""
    tree = {"host": socket.gethostname(), "process": os.getpid(), "since": now}
    with suppress(OSError):
        _beside(path).write_text(json.dumps(tree) + "\n", encoding="utf-8")


def let_go(path: Path) -> None:
    """Note that this process has a project open no longer; a note of somebody else's stays."""
    with suppress(OSError, ValueError, LookupError, TypeError):
        tree = json.loads(_beside(path).read_text(encoding="utf-8"))
        if (tree["host"], tree["process"]) == (socket.gethostname(), os.getpid()):
            _beside(path).unlink()
