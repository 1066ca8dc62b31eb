# SPDX-License-Identifier: GPL-3.0-or-later
"""The open project: its changes, what follows from it, its file, and one signal when it changes."""

from __future__ import annotations

import logging
from collections.abc import Callable
from contextlib import suppress
from dataclasses import replace
from datetime import datetime
from pathlib import Path
from time import time

from PyQt6.QtCore import QObject, pyqtSignal

from ..core.errors import AbleBoxError
from ..core.log.entry import Entry
from ..core.paper_book import PaperBook
from ..core.parts.register import given_out
from ..core.project.beside import keep
from ..core.project.changes import Change, History
from ..core.project.files import fingerprint_of, load, save
from ..core.project.in_use import let_go, take
from ..core.project.limits import too_much
from ..core.project.log_edits import logged, settled
from ..core.project.tree import Project
from ..core.shop.made import Made, registered
from ..core.shop.moved import Moved, moved
from ..core.snags.every import snags
from ..core.snags.snag import Snag
from .settings import versions_folder

_LOG = logging.getLogger("ablebox.document")


class Document(QObject):
    """The open project.

    Args:
        project: what is open.
        path: its file; ``None`` if it has none yet.
        fingerprint: of the file as it was opened.
    """

    #: The project changed, or another one is open.
    changed = pyqtSignal()
    #: A sentence on why something could not be done.
    refused = pyqtSignal(str)
    #: The file or the modified mark changed.
    file_changed = pyqtSignal()
    #: Another project is open now.
    opened = pyqtSignal()
    #: The project is on disk as it stands.
    saved = pyqtSignal()

    def __init__(self, project: Project, path: Path | None = None, fingerprint: str | None = None) -> None:
        super().__init__()
        self.path: Path | None = None
        #: Whether somebody else has the file open, and it is only to be looked at here.
        self.look_only = False
        self._take(project, path, fingerprint)

    def _take(self, project: Project, path: Path | None, fingerprint: str | None, look_only: bool = False) -> None:
        made, found = self._worked_out(project, None)
        self.made, self.snags = made, found
        self.history = History(made.project)
        self._hold(path, look_only)
        self._fingerprint = fingerprint
        #: What the last change of stock, room or measurements moved.
        self.moved: list[Moved] = []

    def _worked_out(self, project: Project, before: Made | None) -> tuple[Made, list[Snag]]:
        """Return everything that follows from a project: built, listed, made a problem for the planner, and checked.

        Whatever raises does so before anything of it is taken.
        """
        over = too_much(project)
        if over:
            raise AbleBoxError(
                f"{over[0][0].removeprefix('project.').capitalize()} {over[0][1]}. Split the project into several."
            )
        made = Made(project, before)
        made.project = registered(made)
        _ = made.numbers, made.problems, made.joined
        return made, snags(made)

    @property
    def project(self) -> Project:
        """The project as it stands."""
        return self.history.project

    def replace_all(
        self, project: Project, path: Path | None = None, fingerprint: str | None = None, look_only: bool = False
    ) -> None:
        """Put another project in the place of the open one, only to look at if somebody else has it open.

        Raises:
            AbleBoxError: if it cannot be built; the open one stays then.
        """
        self._take(project, path, fingerprint, look_only)
        _LOG.info("opened %s", path if path is not None else "a project without a file")
        self.opened.emit()
        self._tell()

    @property
    def fingerprint(self) -> str:
        """Hash of the project's file as it was opened or saved; empty if it has none."""
        return self._fingerprint or ""

    def restore(self, project: Project, path: Path | None, fingerprint: str) -> None:
        """Put a project that was left behind in the place of the open one; it counts as changed since it was saved.

        Raises:
            AbleBoxError: if it cannot be built; the open one stays then.
        """
        self._take(project, path, fingerprint or None)
        self.history.unsaved()
        self.opened.emit()
        self._tell()

    def open(self, path: Path, as_copy: bool = False, look_only: bool = False) -> None:
        """Open a file, as a new project without a file of its own if ``as_copy``, or only to look at.

        Raises:
            AbleBoxError: if it cannot be read or built; the open project stays then.
        """
        found = load(path)
        if as_copy:
            self.replace_all(found.project)
        else:
            self.replace_all(found.project, path, found.fingerprint, look_only)

    def make(self, title: str, after: Project) -> bool:
        """Make a change; return whether it was made. A refusal is told by ``refused``."""
        before = self.project
        if after == before:
            return False
        try:
            made, found = self._worked_out(after, self.made)
        except AbleBoxError as fault:
            self.refused.emit(str(fault))
            return False
        self.history.make(title, made.project)
        self._settle(made, found, before)
        return True

    def undo(self) -> None:
        """Take the last change back."""
        self._step(self.history.undo, self.history.redo)

    def redo(self) -> None:
        """Do the last change taken back again."""
        self._step(self.history.redo, self.history.undo)

    def _step(self, step: Callable[[], Change | None], back: Callable[[], Change | None]) -> None:
        """Go one change back or on; whatever raises leaves everything where it was."""
        change = step()
        if change is None:
            return
        other = change.before if self.project is change.after else change.after
        try:
            made, found = self._worked_out(self.project, self.made)
        except BaseException:
            back()
            raise
        self._settle(made, found, other)

    def handed_out(self) -> None:
        """Note that the codes as they stand are on something printed or exported: they stay used."""
        given = given_out(self.made.parts, self.project.given)
        if given != self.project.given:
            self.history.note(replace(self.project, given=given))
            self.made = Made(self.project, self.made)
            self._tell()

    def keep_paper(self, paper: PaperBook) -> None:
        """Keep how the project is printed, or that it was; that is not undone."""
        if paper != self.project.paper:
            self.history.note(replace(self.project, paper=paper))
            self.made = Made(self.project, self.made)
            self._tell()

    def log(self, *entries: Entry) -> None:
        """Write into the log; what stands there is not undone."""
        self.history.note(logged(self.project, *entries))
        self.made = Made(self.project, self.made)
        self._tell()

    def settle_entry(self, number: int, at: datetime) -> None:
        """Settle an open item of the log."""
        self.history.note(settled(self.project, number, at))
        self.made = Made(self.project, self.made)
        self._tell()

    def look_again(self) -> None:
        """Check the project once more: something is known now that was not."""
        self.snags = snags(self.made)
        self.changed.emit()

    def _settle(self, made: Made, found: list[Snag], before: Project) -> None:
        if _moves_sizes(before, made.project):
            self.moved = moved(self.made, made)
        self.made, self.snags = made, found
        self._tell()

    def _tell(self) -> None:
        self.changed.emit()
        self.file_changed.emit()

    def _hold(self, path: Path | None, look_only: bool = False) -> None:
        """Be known as the one who has a file open, unless it is only looked at, and no longer for the one before."""
        if self.path is not None and not self.look_only:
            let_go(self.path)
        self.path, self.look_only = path, look_only
        if path is not None and not look_only:
            take(path, int(time()))

    def let_go(self) -> None:
        """Be known no longer as the one who has the file open."""
        if self.path is not None and not self.look_only:
            let_go(self.path)

    @property
    def changed_on_disk(self) -> bool:
        """Whether something else has written the project's file since it was opened or saved."""
        if self.path is None or not self._fingerprint:
            return False
        try:
            return fingerprint_of(self.path.read_bytes()) != self._fingerprint
        except OSError:
            return False

    def save(self, path: Path | None = None, over_read_only: bool = False) -> None:
        """Save to a file, its own if none is named.

        Args:
            path: the file.
            over_read_only: whether a file that may not be written is replaced.

        Raises:
            AbleBoxError: if it cannot be written; the file is as it was then.
        """
        target = path or self.path
        if target is None:
            raise ValueError("a project without a file needs a path")
        opened = self._fingerprint if self.path is not None and target == self.path else None
        if self.look_only and target == self.path:
            raise AbleBoxError(f"{target.name} is open elsewhere and here only to look at. Save under another name.")
        done = save(target, self.project, opened, over_read_only)
        if done.replaced is not None:
            with suppress(OSError):
                # A version more or less stops no save.
                keep(versions_folder(), target, done.replaced, int(time()))
        self._fingerprint = done.fingerprint
        self._hold(target)
        self.history.saved()
        _LOG.info("saved %s", target)
        self.saved.emit()
        self.file_changed.emit()


def _moves_sizes(before: Project, after: Project) -> bool:
    """Whether stock, room or measurements differ, so that it is told what that moved."""
    old = before.rack, before.room, before.spaces, before.strips, before.measured
    return old != (after.rack, after.room, after.spaces, after.strips, after.measured)
