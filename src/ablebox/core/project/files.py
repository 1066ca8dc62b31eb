# SPDX-License-Identifier: GPL-3.0-or-later
"""Projects on disk: read whole, written beside and swapped in, the previous version kept."""

from __future__ import annotations

import hashlib
from dataclasses import dataclass
from pathlib import Path

from ..errors import AbleBoxError, FileChangedUnderneath, FileFaulty, FileNotWritten
from ..whole_file import write_whole
from .json_format import from_text, to_text
from .limits import MOST_BYTES
from .tree import Project

SUFFIX = ".ablebox"


@dataclass(frozen=True, slots=True)
class OnDisk:
    """A project and what its file held when it was read or written.

    Args:
        project: the project.
        fingerprint: hash of the file's bytes.
    """

    project: Project
    fingerprint: str


def _fingerprint(data: bytes) -> str:
    return hashlib.sha256(data).hexdigest()


def load(path: Path) -> OnDisk:
    """Read a project from a file.

    Raises:
        FileFaulty: if it cannot be read, with every fault found.
    """
    try:
        if path.exists() and not path.is_file():
            raise FileFaulty(str(path), [("", "it is no file")], "Choose a file.")
        if path.stat().st_size > MOST_BYTES:
            raise FileFaulty(str(path), [("", "it is far too large for a project")], "Choose another file.")
        data = path.read_bytes()
        text = data.decode("utf-8-sig")
    except OSError as fault:
        reason = (fault.strerror or "it cannot be read").lower()
        raise FileFaulty(str(path), [("", reason)], "Check the name and choose again.") from None
    except UnicodeDecodeError:
        raise FileFaulty(str(path), [("", "it is not a text file")], f"Choose a file that ends in {SUFFIX}.") from None
    return OnDisk(from_text(text, str(path)), _fingerprint(data))


def save(path: Path, project: Project, opened: str | None = None) -> OnDisk:
    """Write a project; what was there before is kept beside it, its name with ``~`` behind.

    Args:
        path: where to.
        project: what.
        opened: fingerprint of the file as it was opened; ``None`` if it was not.

    Raises:
        FileChangedUnderneath: if the file is no longer the one that was opened.
        FileNotWritten: if the disk refuses; nothing has changed then.
    """
    data = to_text(project).encode("utf-8")
    target = path.resolve()
    try:
        before = target.read_bytes() if target.exists() else None
        if opened is not None and before is not None and _fingerprint(before) != opened:
            raise FileChangedUnderneath(str(path))
        if before is not None:
            write_whole(target.with_name(target.name + "~"), before)
        write_whole(target, data)
    except AbleBoxError:
        raise
    except OSError as fault:
        raise FileNotWritten(str(path), fault.strerror or "the disk refused") from None
    return OnDisk(project, _fingerprint(data))
