# SPDX-License-Identifier: GPL-3.0-or-later
"""What is kept of older versions of a project's file: generations that thin out with age, and one before its format changed.

All of the last hour, one an hour of the last day, one a day of the last month, then one a month (limits of our own).
"""

from __future__ import annotations

import re
from pathlib import Path

from ..whole_file import write_whole

_HOUR, _DAY, _MONTH = 3_600, 86_400, 2_592_000
#: No more than this many are kept of one file.
_MOST = 60


def keep(folder: Path, path: Path, data: bytes, now: int) -> None:
    """Keep a version of a file that is about to be replaced, and let the oldest go.

    Args:
        folder: where versions are kept; made if it is not there.
        path: the file.
        data: what it holds now.
        now: the time, in seconds since 1970.

    Raises:
        OSError: if the disk refuses.
    """
    own = folder / _called(path)
    own.mkdir(parents=True, exist_ok=True)
    write_whole(own / f"{now}-{path.name}", data)
    kept: set[tuple[int, int]] = set()
    for at, version in sorted(versions(folder, path), reverse=True):
        age = now - at
        step = 1 if age < _HOUR else _HOUR if age < _DAY else _DAY if age < _MONTH else _MONTH
        slot = (step, at // step)
        if slot in kept or len(kept) >= _MOST:
            version.unlink(missing_ok=True)
        kept.add(slot)


def versions(folder: Path, path: Path) -> list[tuple[int, Path]]:
    """Return the versions that are kept of a file, each with when it was replaced, in seconds since 1970."""
    own = folder / _called(path)
    found = []
    for each in own.iterdir() if own.is_dir() else ():
        named = re.fullmatch(rf"(\d+)-{re.escape(path.name)}", each.name)
        if named is not None:
            found.append((int(named[1]), each))
    return sorted(found)


def _called(path: Path) -> str:
    return re.sub(r"[^A-Za-z0-9]+", "-", str(path.resolve())).strip("-")[-120:]
