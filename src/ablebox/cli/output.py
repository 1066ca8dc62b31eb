# SPDX-License-Identifier: GPL-3.0-or-later
"""Writing results: to a file whole or not at all, or to standard output for ``-``."""

from __future__ import annotations

import json
import sys
from collections.abc import Mapping
from pathlib import Path
from typing import Any

from ..core.errors import FileNotWritten
from ..core.whole_file import write_whole


def write(target: str, data: bytes) -> None:
    """Write bytes to a file, or to standard output where the target is ``-``.

    Raises:
        FileNotWritten: if the disk refuses.
    """
    if target == "-":
        sys.stdout.buffer.write(data)
        sys.stdout.buffer.flush()
        return
    try:
        write_whole(Path(target), data)
    except OSError as fault:
        raise FileNotWritten(target, fault.strerror or "the disk refused") from None


def write_json(target: str, tree: Any) -> None:
    """Write a tree as JSON."""
    write(target, (json.dumps(tree, indent=2, ensure_ascii=False) + "\n").encode("utf-8"))


def write_into(folder: str, files: Mapping[str, bytes]) -> None:
    """Write files into a folder, which is made if it is not there.

    Raises:
        FileNotWritten: if the disk refuses.
    """
    try:
        Path(folder).mkdir(parents=True, exist_ok=True)
    except OSError as fault:
        raise FileNotWritten(folder, fault.strerror or "the disk refused") from None
    for name, data in files.items():
        write(str(Path(folder) / name), data)
