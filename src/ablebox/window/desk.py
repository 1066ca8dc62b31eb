# SPDX-License-Identifier: GPL-3.0-or-later
"""What every widget works on: the document, the selection, the planner, and how numbers are typed."""

from __future__ import annotations

from collections.abc import Callable
from dataclasses import dataclass, replace
from datetime import datetime

from PyQt6.QtCore import QObject, pyqtSignal

from ..core.cabinet.design import Case
from ..core.cabinet.face_edits import cells
from ..core.cabinet.inset import set_back
from ..core.cabinet.inside_edits import bays
from ..core.cabinet.places import put
from ..core.errors import AbleBoxError, LengthNotUnderstood, SizeImpossible
from ..core.fronts.fit.inset_fit import Inset
from ..core.fronts.fit.lipped import Lipped
from ..core.lengths import Length
from ..core.project.changes import add_case, delete_case, duplicate_case, fitted_stock
from ..core.project.choice import Choice
from ..core.project.choices import choice, set_measured
from ..core.project.own_shop import OwnShop, load_shop, save_shop
from ..core.reckoning import Origin, Reckoned
from ..core.typed import read_length
from . import settings
from .document import Document
from .selection import Selection
from .tasks import Planner


@dataclass(frozen=True, slots=True)
class Draft:
    """What was typed into a field and could not be taken.

    Args:
        text: as it was typed.
        reason: why it could not.
    """

    text: str
    reason: str


class Desk(QObject):
    """The workplace.

    Args:
        document: the open project.
        planner: keeps its cut plans.
    """

    #: Somebody wants to type a number: its key.
    typing_wanted = pyqtSignal(str)
    #: A file is to be opened: its path.
    opening_wanted = pyqtSignal(object)

    def __init__(self, document: Document, planner: Planner) -> None:
        super().__init__()
        self.document, self.planner = document, planner
        #: Tells the time; the core has no clock of its own.
        self.now: Callable[[], datetime] = datetime.now
        self.selection = Selection()
        #: What was typed and could not be taken, by the key of its number; it stays in its field.
        self.drafts: dict[str, Draft] = {}
        self.shop = OwnShop()
        self._shop_fault = ""
        try:
            self.shop = load_shop(settings.shop_path())
        except AbleBoxError as fault:
            self._shop_fault = str(fault)
        planner.told_once.connect(document.refused)
        document.changed.connect(self._settle_selection)
        document.changed.connect(lambda: planner.want(document.made.problems))

    def begin(self) -> None:
        """Plan what is open; called once everything is wired."""
        self._settle_selection()
        self.planner.want(self.document.made.problems)
        if self._shop_fault:
            self.document.refused.emit(self._shop_fault)

    def keep_shop(self, shop: OwnShop) -> None:
        """Keep the user's own shop on disk; a damaged file is never written over."""
        if self._shop_fault:
            self.document.refused.emit(self._shop_fault)
            return
        try:
            save_shop(settings.shop_path(), shop)
        except AbleBoxError as fault:
            self.document.refused.emit(str(fault))
            return
        self.shop = shop

    def _settle_selection(self) -> None:
        """Let go of what is no longer there."""
        made, selection = self.document.made, self.selection
        self.drafts = {key: draft for key, draft in self.drafts.items() if self.choice(key) is not None}
        letters = [case.letter for case in self.document.project.cases]
        case = selection.case if selection.case in letters else (letters[0] if letters else "")
        codes = {part.code for part in made.parts}
        selection.select(
            case=case,
            wall=min(selection.wall, len(self.document.project.room.walls)),
            part=selection.part if selection.part in codes else "",
            number=selection.number if self.number(selection.number) or self.choice(selection.number) else "",
            cell=selection.cell if case and selection.cell in cells(self.document.project.case(case)) else "",
            bay=selection.bay if case and selection.bay in bays(self.document.project.case(case).inside) else "",
        )

    def go_to(self, key: str) -> None:
        """Select a number and put the cursor where it is typed."""
        self.selection.select(number=key)
        if self.selection.number == key:
            self.typing_wanted.emit(key)

    def known_case(self, letter: str) -> str | None:
        """Return a case's letter if there is such a case: parts of their own belong to none."""
        return letter if any(case.letter == letter for case in self.document.project.cases) else None

    def number(self, key: str) -> Reckoned | None:
        """Return the number behind a key, with its sum."""
        return self.document.made.numbers.get(key) if key else None

    def choice(self, key: str) -> Choice | None:
        """Return what typing over a number would set; ``None`` if it cannot be typed over."""
        return choice(self.document.project, key) if key else None

    def shown(self, key: str) -> str:
        """Return a number as it is written, by its key."""
        found = self.choice(key)
        if found is None:
            return ""
        value = self._drawn(key)
        return self.document.project.units.write(value) if value is not None else ""

    def typed(self, key: str) -> str:
        """Return a number as it stands in its field when typing begins: exact, so that nothing is lost."""
        value = self._drawn(key)
        return self.document.project.units.exact(value) if value is not None else ""

    def _drawn(self, key: str) -> Length | None:
        """Return the length that is drawn for a number that can be typed over; ``None`` if there is none.

        Where it follows from others, or is shared out, that is not the one that was set once.
        """
        found, number = self.choice(key), self.number(key)
        if found is None:
            return None
        follows = number is not None and bool(number.terms) and number.origin is not Origin.MEASURED
        if number is not None and (found.value is None or (follows and key.endswith("/width"))):
            return number.length
        return found.value

    def keep_draft(self, key: str, text: str, reason: str) -> None:
        """Keep what was typed for a number where it could not be taken, and let go of what was kept where it was."""
        self.drafts.pop(key, None)
        if reason:
            self.drafts[key] = Draft(text, reason)

    def blame(self, key: str) -> str:
        """Return why a case cannot be built, for the numbers at the place that is to blame; empty for any other."""
        letter, _, path = key.partition("/")
        fault = self.document.made.unbuilt.get(letter)
        place = fault.place if isinstance(fault, SizeImpossible) else ""
        return str(fault) if fault is not None and place and path.startswith(place) else ""

    def type_over(self, key: str, text: str) -> str:
        """Set a number from typed text; return why not, or an empty text if it is set."""
        found = self.choice(key)
        if found is None:
            return "This number follows from others; change one of those."
        units = self.document.project.units
        if not text.strip() and found.clear is not None:
            return self.change(f"{found.title}: left to be reckoned", found.clear())
        try:
            value = read_length(text, units, found.least)
            after = found.put(value)
        except (LengthNotUnderstood, AbleBoxError, ValueError) as fault:
            self.document.refused.emit(str(fault))
            return str(fault)
        return self.change(found.title, after)

    def change(self, title: str, after: object) -> str:
        """Make a change; return why not, or an empty text if it is made."""
        reasons: list[str] = []
        self.document.refused.connect(reasons.append)
        try:
            self.document.make(title, after)  # type: ignore[arg-type]
        finally:
            self.document.refused.disconnect(reasons.append)
        return reasons[0] if reasons else ""

    def measure(self, key: str, text: str) -> str:
        """Overrule a sum by what was measured, or set it free with an empty text; return why not."""
        project = self.document.project
        number = self.number(key)
        label = number.label if number else key
        if not text.strip():
            return self.change(f"{label}: back to the sum", set_measured(project, key, None))
        try:
            value = read_length(text, project.units)
            after = set_measured(project, key, value)
        except (LengthNotUnderstood, ValueError) as fault:
            self.document.refused.emit(str(fault))
            return str(fault)
        return self.change(f"{label}: measured", after)

    def put(self, letter: str, path: str, value: object, words: str) -> str:
        """Set what stands at a place of a case's design; return why not, or an empty text if it is set."""
        try:
            case = put(self.document.project.case(letter), path, value)
        except ValueError as fault:
            self.document.refused.emit(f"{str(fault)[:1].upper()}{str(fault)[1:]}.")
            return str(fault)
        if isinstance(value, (Inset, Lipped)):
            # Fronts in their opening bring what they need: what stands behind them is set back.
            case = set_back(case, self.document.project.rack, self.document.project.units)
        return self.redesign(words, case)

    def redesign(self, words: str, case: Case) -> str:
        """Put a case's changed design in its place, built from stock there is; return why not, or an empty text."""
        project = self.document.project
        return self.change(f"{case.letter}: {words}", project.with_case(fitted_stock(project, case)))

    def add_case(self, kind: str = "base") -> None:
        """Add a case of a kind and select it."""
        after, letter = add_case(self.document.project, kind)
        if not self.change(f"Add case {letter}", after):
            self.selection.select(case=letter, stage="case", part="", number="")

    def duplicate_case(self) -> None:
        """Duplicate the selected case and select the copy."""
        if self.selection.case:
            after, letter = duplicate_case(self.document.project, self.selection.case)
            if not self.change(f"Duplicate case {self.selection.case}", after):
                self.selection.select(case=letter, part="", number="")

    def mirror_case(self) -> None:
        """Put the mirror image of the selected case at its right and select it."""
        if self.selection.case:
            letter = self.selection.case
            after, new = duplicate_case(self.document.project, letter, self._width_of(letter))
            if not self.change(f"Mirror case {letter}", after):
                self.selection.select(case=new, part="", number="")

    def turn_case(self) -> None:
        """Turn the selected case by a quarter."""
        case = self.document.project.case(self.selection.case)
        words = ("faces the room", "faces left", "faces the wall", "faces right")[(case.turned + 1) % 4]
        self.set_case(words, turned=(case.turned + 1) % 4, follows=False, width=self._width_of(case.letter))

    def _width_of(self, letter: str) -> Length:
        return self.document.made.assembly(letter).outside[0].length

    def delete_case(self) -> None:
        """Delete the selected case; undo brings it back."""
        letter = self.selection.case
        if len(self.document.project.cases) == 1:
            self.document.refused.emit("A project keeps at least one case. Change this one, or add another first.")
        elif letter:
            self.change(f"Delete case {letter}", delete_case(self.document.project, letter))

    def step_case(self, by: int) -> None:
        """Select the next or the previous case."""
        letters = [case.letter for case in self.document.project.cases]
        if self.selection.case in letters:
            at = (letters.index(self.selection.case) + by) % len(letters)
            self.selection.select(case=letters[at], part="", number="")

    def set_case(self, title: str, **changes: object) -> str:
        """Change fields of the selected case."""
        case = self.document.project.case(self.selection.case)
        return self.change(f"{case.letter}: {title}", self.document.project.with_case(replace(case, **changes)))  # type: ignore[arg-type]
