# SPDX-License-Identifier: GPL-3.0-or-later
"""Writing a file whole or not at all."""

from __future__ import annotations

import os
import re
import tempfile
from contextlib import suppress
from pathlib import Path


def write_whole(path: Path, data: bytes) -> None:
    """Write a file so that it is there whole or not at all.

    Raises:
        OSError: if the disk refuses; what was there before is untouched.
    """
    handle, name = tempfile.mkstemp(prefix=f".{path.name}.", dir=path.parent)
    try:
        with os.fdopen(handle, "wb") as stream:
            stream.write(data)
            stream.flush()
            os.fsync(stream.fileno())
        mode = path.stat().st_mode & 0o777 if path.exists() else 0o666 & ~_umask()
        os.chmod(name, mode)
        os.replace(name, path)
        _clean(path)
    except BaseException:
        with suppress(OSError):
            os.unlink(name)
        raise


#: What a write that was killed left behind is taken away after an hour, a limit of our own.
_OLD = 3_600


def _clean(path: Path) -> None:
    """Take away what earlier writes of the file left behind when they were killed."""
    with suppress(OSError):
        now = path.stat().st_mtime
        for each in path.parent.iterdir():
            left = re.fullmatch(rf"\.{re.escape(path.name)}\..{{8}}", each.name)
            if left is not None and now - each.stat().st_mtime > _OLD:
                each.unlink()


def _umask() -> int:
    current = os.umask(0)
    os.umask(current)
    return current
