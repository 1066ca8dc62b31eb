# SPDX-License-Identifier: GPL-3.0-or-later
"""The recovery journal: every change of an open project on disk at once, so that no event loses more than its last second.

One file for each open project, one line a change, plain values only. The first line holds the project as it was opened, with the
file it came from and that file's hash; every other line what changed in it, under which title. A line that was being written when
the power went is left out. While a project is open its journal is locked; what is not locked was left behind.
"""

from __future__ import annotations

import fcntl
import json
import os
from collections.abc import Iterator
from dataclasses import dataclass
from pathlib import Path
from typing import IO, Any

from ..errors import FileFaulty
from .json_format import VERSION, from_text, record_text
from .tree import Project

SUFFIX, SET_ASIDE = ".journal", "set-aside"
#: As many journals that were set aside are kept.
_KEPT = 20


@dataclass(frozen=True, slots=True)
class Left:
    """A journal that was left behind.

    Args:
        journal: its file.
        name: what the project was called.
        path: the file it was opened from or saved to; ``None`` if it had none.
        fingerprint: hash of that file then; empty if it had none.
        changes: titles of the changes, the first one first.
        modified: when the last one was made, in seconds since 1970.
        project: the project with all of them.
    """

    journal: Path
    name: str
    path: Path | None
    fingerprint: str
    changes: tuple[str, ...]
    modified: float
    project: Project


class Journal:
    """The journal of one open project.

    Args:
        folder: where journals are kept; made if it is not there.
        project: as it was opened.
        path: its file; ``None`` if it has none.
        fingerprint: hash of that file; empty if it has none.
        changed: whether it differs from its file already, as what was restored does.

    Raises:
        OSError: if the disk refuses.
    """

    def __init__(
        self, folder: Path, project: Project, path: Path | None, fingerprint: str, changed: bool = False
    ) -> None:
        folder.mkdir(parents=True, exist_ok=True)
        number = 1
        while True:
            self.path = folder / f"{os.getpid()}-{number}{SUFFIX}"
            try:
                self._file: IO[bytes] = self.path.open("xb")
                break
            except FileExistsError:
                number += 1
        fcntl.flock(self._file, fcntl.LOCK_EX | fcntl.LOCK_NB)
        self._tree: Any = record_text(project)
        self.changes = 0
        self._write({
            "format": "ablebox-journal", "version": VERSION, "name": project.name, "path": str(path) if path is not None else None,
            "fingerprint": fingerprint, "project": self._tree,
        })  # fmt: skip
        if changed:
            self._write({"title": "restored", "changes": []})
            self.changes = 1

    def note(self, title: str, project: Project) -> None:
        """Write down what has changed since the last line; nothing if nothing has.

        Raises:
            OSError: if the disk refuses.
        """
        tree = record_text(project)
        changed = list(differences(self._tree, tree))
        if changed:
            self._write({"title": title, "changes": changed})
            self._tree = tree
            self.changes += 1

    def _write(self, line: dict[str, Any]) -> None:
        self._file.write(json.dumps(line, ensure_ascii=False, separators=(",", ":")).encode("utf-8") + b"\n")
        self._file.flush()
        os.fsync(self._file.fileno())

    def close(self) -> None:
        """Let go of it: it stays, and is offered at the next start if anything was changed."""
        self._file.close()

    def done_with(self, saved: bool) -> None:
        """Let go of it where it is not wanted any more: deleted if everything is saved, set aside if it was thrown away."""
        if saved or not self.changes:
            self.path.unlink(missing_ok=True)
        else:
            set_aside(self.path)
        self._file.close()


def differences(old: Any, new: Any, place: tuple[Any, ...] = ()) -> Iterator[list[Any]]:
    """Return what has to be set to make one tree of plain values of another: each place with its value, or alone where it goes."""
    if isinstance(old, dict) and isinstance(new, dict):
        for key in [*old, *(key for key in new if key not in old)]:
            if key not in new:
                yield [[*place, key]]
            elif key not in old:
                yield [[*place, key], new[key]]
            else:
                yield from differences(old[key], new[key], (*place, key))
    elif isinstance(old, list) and isinstance(new, list) and len(old) == len(new):
        for i, (one, two) in enumerate(zip(old, new, strict=True)):
            yield from differences(one, two, (*place, i))
    elif old != new:
        yield [list(place), new]


def changed(tree: Any, changes: list[list[Any]]) -> Any:
    """Return a tree with what ``differences`` found.

    Raises:
        LookupError: if the tree is another one.
        TypeError: if it has another form.
    """
    for place, *value in changes:
        if not place:
            tree = value[0]
            continue
        at = tree
        for step in place[:-1]:
            at = at[step]
        if value:
            at[place[-1]] = value[0]
        else:
            del at[place[-1]]
    return tree


def left_behind(folder: Path) -> list[Left]:
    """Return the journals nobody has open in which something was changed, the newest first; what cannot be read is set aside."""
    found = []
    for journal in sorted(folder.glob(f"*{SUFFIX}")) if folder.is_dir() else ():
        if _open_somewhere(journal):
            continue
        try:
            left = _read(journal)
        except (OSError, ValueError, LookupError, TypeError, FileFaulty):
            set_aside(journal)
            continue
        if left.changes:
            found.append(left)
        else:
            journal.unlink(missing_ok=True)
    return sorted(found, key=lambda left: -left.modified)


def _open_somewhere(journal: Path) -> bool:
    try:
        with journal.open("rb") as file:
            fcntl.flock(file, fcntl.LOCK_EX | fcntl.LOCK_NB)
    except OSError:
        return True
    return False


def _read(journal: Path) -> Left:
    data = journal.read_bytes()
    lines = data.split(b"\n")[:-1]
    head = json.loads(lines[0])
    tree, titles = head["project"], []
    for line in lines[1:]:
        try:
            each = json.loads(line)
        except ValueError:
            # The line that was being written when the power went.
            break
        tree = changed(tree, each["changes"])
        titles.append(str(each["title"]))
    text = json.dumps({"format": "ablebox", "version": head["version"], "project": tree})
    path = Path(head["path"]) if head["path"] else None
    project = from_text(text, str(journal))
    return Left(journal, project.name, path, str(head["fingerprint"]), tuple(titles), journal.stat().st_mtime, project)


def set_aside(journal: Path) -> None:
    """Put a journal where it is not offered any more; the oldest that lie there go."""
    aside = journal.parent / SET_ASIDE
    try:
        aside.mkdir(exist_ok=True)
        journal.replace(aside / f"{int(journal.stat().st_mtime)}-{journal.name}")
        for old in sorted(aside.iterdir(), key=lambda each: each.stat().st_mtime)[:-_KEPT]:
            old.unlink()
    except OSError:
        return
