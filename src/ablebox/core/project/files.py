# SPDX-License-Identifier: GPL-3.0-or-later
"""Projects on disk: read whole, written beside and swapped in, the previous version kept."""

from __future__ import annotations

import hashlib
import re
from dataclasses import dataclass
from pathlib import Path

from ..errors import AbleBoxError, FileChangedUnderneath, FileFaulty, FileNotWritten, FileReadOnly
from ..whole_file import write_whole
from .json_format import VERSION, from_text, to_text
from .limits import MOST_BYTES
from .tree import Project

SUFFIX = ".ablebox"


@dataclass(frozen=True, slots=True)
class OnDisk:
    """A project and what its file held when it was read or written.

    Args:
        project: the project.
        fingerprint: hash of the file's bytes.
        replaced: what the file held before it was written; ``None`` if it was read, or was not there.
    """

    project: Project
    fingerprint: str
    replaced: bytes | None = None


def fingerprint_of(data: bytes) -> str:
    """Return the hash by which the bytes of a file are known."""
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
    return OnDisk(from_text(text, str(path)), fingerprint_of(data))


def save(path: Path, project: Project, opened: str | None = None, over_read_only: bool = False) -> OnDisk:
    """Write a project; what was there before is kept beside it, its name with ``~`` behind.

    What an older version of the program wrote is kept once more, its name with the version behind.

    Args:
        path: where to.
        project: what.
        opened: fingerprint of the file as it was opened; ``None`` if it was not.
        over_read_only: whether a file that may not be written is replaced.

    Raises:
        FileChangedUnderneath: if the file is no longer the one that was opened.
        FileReadOnly: if it may not be written.
        FileNotWritten: if the disk refuses; nothing has changed then.
    """
    data = to_text(project).encode("utf-8")
    try:
        target = path.resolve()
        if target.exists() and not target.is_file():
            raise FileNotWritten(str(path), "it is no file")
        before = target.read_bytes() if target.exists() else None
        if opened is not None and before is not None and fingerprint_of(before) != opened:
            raise FileChangedUnderneath(str(path))
        if before is not None and not over_read_only and not target.stat().st_mode & 0o222:
            raise FileReadOnly(str(path))
        if before is not None:
            write_whole(target.with_name(target.name + "~"), before)
            old = re.search(rb'"version": (\d{1,4})', before[:200])
            if old is not None and int(old[1]) < VERSION:
                kept = target.with_name(f"{target.name}.version-{int(old[1])}~")
                if not kept.exists():
                    write_whole(kept, before)
        write_whole(target, data)
    except AbleBoxError:
        raise
    except RuntimeError:
        raise FileNotWritten(str(path), "its links lead in a circle") from None
    except OSError as fault:
        raise FileNotWritten(str(path), fault.strerror or "the disk refused") from None
    return OnDisk(project, fingerprint_of(data), before)
