# SPDX-License-Identifier: GPL-3.0-or-later
"""What the tape shows on the Case stage: one thing's schools as pictures and its choices, or the inside."""

from __future__ import annotations

from dataclasses import replace
from functools import partial
from typing import Any

from PyQt6.QtWidgets import QGridLayout, QHBoxLayout, QPushButton, QVBoxLayout

from ...core.assembly.part import Face
from ...core.cabinet.build import build
from ...core.cabinet.design import SCHOOLS, Case
from ...core.cabinet.inside_edits import divided, fitted, parent, unfitted, without
from ...core.cabinet.places import at, put
from ...core.cabinet.switching import SCHOOL_NAMES, schools_of, switched
from ...core.case.counter.none import NoCounter
from ...core.case.cutouts import Cutout
from ...core.case.inside.layout import Bay, Columns, Rows
from ...core.case.inside.shelves_on_pins import PinShelves
from ...core.case.scribe import Scribe, Station
from ...core.case.shell import LEFT
from ...core.drawing.joint_views import THINGS, joint
from ...core.errors import AbleBoxError
from ...core.fronts.none import NoFronts
from ...core.lengths import ZERO, Length
from ...core.project.changes import fitted_stock
from ..desk import Desk
from ..widgets.length_field import LengthField
from ..widgets.picture_card import PictureCard
from ..widgets.school_form import SchoolForm
from ..widgets.size_row import add_size_row
from ..widgets.words import LinkWords, Words

#: What is usual for each thing (common practice, see the schools' modules).
HELP = {
    "frame": "Rails between stiles; the case's floor is flush with the top of the bottom rail. Frame parts come from boards.",
    "kick": "Usual is 4 in (100 mm) high and 3 in (75 mm) deep. One base frame under several cases is levelled once.",
    "bottom": "As wide as the sheet really is; a dado a third of the side deep, never over half.",
    "top": "Two stretchers 3 to 4 in (75 to 100 mm) wide for base cases; wall and tall cases have a full top.",
    "back": "Thin backs carry no load: the case is screwed to the wall through its rails.",
    "inside": "Click a bay on the drawing. Bore pin holes before assembly and before the back is in.",
    "counter": "Depth is case and frame, front thickness and overhang, less what is scribed at the wall.",
    "fronts": "Reveal is what shows of the case around the doors; gap is between the two.",
}


class CaseTape:
    """Fills the tape for the Case stage.

    Args:
        desk: the workplace.
    """

    def __init__(self, desk: Desk) -> None:
        self._desk = desk

    @property
    def _letter(self) -> str:
        return self._desk.selection.case

    @property
    def _case(self) -> Case:
        return self._desk.document.project.case(self._letter)

    def thing(self, column: QVBoxLayout, name: str) -> None:
        """Show the schools of a thing, and the choices of the one in force."""
        unit = self._desk.document.project.units.words
        column.addWidget(Words(THINGS[name], 20, True))
        column.addWidget(Words(f"Case {self._letter} · {unit}", 14, colour="quiet"))
        column.addSpacing(6)
        if name == "inside":
            self._inside(column)
            return
        path, records, record = self._schools(name)
        self._pictures(column, name, path, records, record)
        column.addSpacing(6)
        SchoolForm(self._desk, self._letter, column).add(path, record)
        column.addSpacing(4)
        column.addWidget(Words(HELP[name], 13, colour="quiet", wrap=True))
        if name == "back":
            self._cutouts(column)
            self._scribes(column)

    def _schools(self, name: str) -> tuple[str, tuple[type, ...], Any]:
        """Return where the choice of school stands, which there are, and the record in force."""
        case = self._case
        if name == "bottom":
            return "bottom.joint", schools_of(type(case.bottom), "joint"), case.bottom.joint
        return name, tuple(SCHOOLS[name].values()), getattr(case, name)

    def _pictures(self, column: QVBoxLayout, name: str, path: str, records: tuple[type, ...], record: Any) -> None:
        grid = QGridLayout()
        grid.setSpacing(6)
        system = self._desk.document.project.units.system
        for i, kind in enumerate(records):
            chosen = kind is type(record)
            other = record if chosen else switched(record, kind, system)
            school = SCHOOL_NAMES[kind]
            card = PictureCard(f"school:{name}:{school}", "", 92, partial(self._take, path, other))
            self._show(card, name, path, other, chosen)
            grid.addWidget(card, i // 2, i % 2)
        column.addLayout(grid)

    def _show(self, card: PictureCard, name: str, path: str, other: Any, chosen: bool) -> None:
        project = self._desk.document.project
        try:
            case = fitted_stock(project, put(self._case, path, other))
            width = self._desk.document.made.assembly(self._letter).outside[0]
            assembly = build(_bare(case, name), project.rack, project.units, None, width)
            card.show_picture(joint(assembly, name), other.words, chosen)
        except AbleBoxError as fault:
            card.show_picture(None, other.words, chosen, str(fault))

    def _take(self, path: str, other: Any) -> None:
        self._desk.put(self._letter, path, other, other.words)

    def _button(self, words: str, name: str, pressed: Any) -> QPushButton:
        button = QPushButton(words)
        button.setObjectName(name)
        button.setStyleSheet("padding: 2px 6px; font-size: 14px;")
        button.setMinimumWidth(20)
        button.clicked.connect(lambda: pressed())
        return button

    def _cutouts(self, column: QVBoxLayout) -> None:
        column.addSpacing(6)
        column.addWidget(Words("Cut-outs", 15, True))
        for i, cutout in enumerate(self._case.cutouts):
            column.addWidget(Words(cutout.name, 14, True, "quiet"))
            SchoolForm(self._desk, self._letter, column).add(f"cutouts.{i}", cutout)
            gone = tuple(c for n, c in enumerate(self._case.cutouts) if n != i)
            drop = partial(self._desk.put, self._letter, "cutouts", gone, "take a cut-out away")
            column.addWidget(self._button("Take it away", f"drop-cutout:{i}", drop))
        row = QHBoxLayout()
        sizes = {
            "outlet": Cutout(),
            "pipes": Cutout("window for pipes", width=Length(10 * 406_400), height=Length(8 * 406_400)),
        }
        for name, cutout in sizes.items():
            add = partial(
                self._desk.put, self._letter, "cutouts", (*self._case.cutouts, cutout), f"cut-out {cutout.name}"
            )
            row.addWidget(
                self._button(f"For {'an outlet' if name == 'outlet' else 'pipes'}", f"add-cutout:{name}", add)
            )
        column.addLayout(row)
        column.addWidget(
            Words(
                "Look behind the wall before you cut; wires and gas are for those who are licensed.",
                13,
                colour="quiet",
                wrap=True,
            )
        )

    def _scribes(self, column: QVBoxLayout) -> None:
        column.addSpacing(6)
        column.addWidget(Words("Scribed to the wall", 15, True))
        label = Words("Sides go on behind the back", 14, wrap=True)
        add_size_row(self._desk, column, f"{self._letter}/set_in", label, "sides beyond the back, to scribe")
        for i, scribe in enumerate(self._case.scribes):
            side = "left" if scribe.role == LEFT else "right"
            column.addWidget(
                Words(f"{side} side, {scribe.edge.words} edge: at, and taken off there", 14, True, "quiet", wrap=True)
            )
            for n, _ in enumerate(scribe.stations):
                row = QHBoxLayout()
                for what in ("at", "off"):
                    key = f"{self._letter}/scribes.{i}.stations.{n}.{what}"
                    field = LengthField(self._desk, key, "station" if what == "at" else "taken off", selects=False)
                    field.setObjectName(f"tape:{key}")
                    row.addWidget(field)
                column.addLayout(row)
            row = QHBoxLayout()
            row.addWidget(self._button("Add a station", f"add-station:{i}", partial(self._add_station, i)))
            gone = tuple(s for n, s in enumerate(self._case.scribes) if n != i)
            drop = partial(self._desk.put, self._letter, "scribes", gone, "straight edge again")
            row.addWidget(self._button("Straight again", f"drop-scribe:{i}", drop))
            column.addLayout(row)
        taken = {scribe.role for scribe in self._case.scribes}
        row = QHBoxLayout()
        for side in ("left", "right"):
            if f"side.{side}" not in taken:
                row.addWidget(
                    self._button(f"Scribe the {side} side", f"add-scribe:{side}", partial(self._add_scribe, side))
                )
        column.addLayout(row)

    def _add_scribe(self, side: str) -> None:
        part = self._desk.document.made.assembly(self._letter).part(f"side.{side}")
        stations = (Station(ZERO, ZERO), Station(part.length.length, ZERO))
        new = (*self._case.scribes, Scribe(f"side.{side}", Face.BACK, stations))
        self._desk.put(self._letter, "scribes", new, f"scribe the {side} side")

    def _add_station(self, i: int) -> None:
        scribe = self._case.scribes[i]
        last, before = scribe.stations[-1], scribe.stations[-2] if len(scribe.stations) > 1 else Station(ZERO, ZERO)
        middle = Station(Length((last.at.ticks + before.at.ticks) // 2), last.off)
        if middle.at == before.at or middle.at == last.at:
            self._desk.document.refused.emit("There is no room for another station between the last two.")
            return
        new = replace(scribe, stations=(*scribe.stations[:-1], middle, last))
        self._desk.put(self._letter, f"scribes.{i}", new, "add a station")

    def _inside(self, column: QVBoxLayout) -> None:
        path = self._desk.selection.bay
        case = self._case
        if not path and isinstance(case.inside, Bay):
            path = "inside"
        if not path:
            column.addWidget(Words(HELP["inside"], 14, colour="quiet", wrap=True))
            self._division(column, "inside")
            return
        bay = at(case, path)
        numbers = [str(int(step) + 1) for step in path.split(".") if step.isdigit()]
        column.addWidget(Words(f"Bay {'.'.join(numbers)}" if numbers else "The whole inside", 16, True, "select"))
        self._divide_buttons(column, path)
        for i, fitting in enumerate(bay.fittings):
            column.addSpacing(4)
            row = QHBoxLayout()
            row.addWidget(Words(fitting.words.capitalize(), 15, True), 1)
            row.addWidget(self._button("Take out", f"take-out:{i}", partial(self._without_fitting, path, i)))
            column.addLayout(row)
            SchoolForm(self._desk, self._letter, column).add(f"{path}.fittings.{i}", fitting)
            if isinstance(fitting, PinShelves):
                self._own_depths(column, f"{path}.fittings.{i}", fitting)
        column.addSpacing(6)
        column.addWidget(Words("Put in", 14, True, "quiet"))
        grid = QGridLayout()
        grid.setSpacing(6)
        for i, (name, record) in enumerate(SCHOOLS["fitting"].items()):
            words = record.words  # type: ignore[attr-defined]
            grid.addWidget(
                self._button(words.capitalize(), f"put-in:{name}", partial(self._fit, path, record)), i // 2, i % 2
            )
        column.addLayout(grid)
        above = parent(path)
        if above is not None:
            column.addSpacing(8)
            self._division(column, above[0])

    def _own_depths(self, column: QVBoxLayout, path: str, pins: PinShelves) -> None:
        """Let each shelf have a depth of its own."""
        for n in range(min(len(pins.setbacks), pins.count)):
            key = f"{self._letter}/{path}.setbacks.{n}"
            add_size_row(self._desk, column, key, Words(f"Shelf {n + 1} set back", 14), f"set back of shelf {n + 1}")
        own = bool(pins.setbacks)
        if pins.count:
            new = () if own else (pins.setback,) * pins.count
            words = "All set back alike" if own else "Each its own depth"
            put = partial(self._desk.put, self._letter, f"{path}.setbacks", new, words.lower())
            column.addWidget(self._button(words, f"own-depths:{path}", put))

    def _divide_buttons(self, column: QVBoxLayout, path: str) -> None:
        row = QHBoxLayout()
        row.setSpacing(6)
        row.addWidget(self._button("Partition", "divide-columns", partial(self._divide, path, False)))
        row.addWidget(self._button("Fixed shelf", "divide-rows", partial(self._divide, path, True)))
        if parent(path) is not None:
            row.addWidget(self._button("Remove", "remove-bay", partial(self._remove, path)))
        column.addLayout(row)

    def _division(self, column: QVBoxLayout, path: str) -> None:
        """The sizes of the bays of a division, and its joint."""
        division = at(self._case, path)
        if isinstance(division, Bay):
            return
        columns = isinstance(division, Columns)
        title = "Widths, left to right" if columns else "Heights, from the bottom"
        column.addWidget(Words(title, 15, True))
        column.addWidget(Words("Empty shares what is left equally.", 13, colour="quiet"))
        sizes = division.widths if columns else division.heights
        for i in reversed(range(len(sizes))) if isinstance(division, Rows) else range(len(sizes)):
            key = f"{self._letter}/{path}.{'widths' if columns else 'heights'}.{i}"
            number = self._desk.number(key)
            share = " (shared)" if sizes[i] is None else ""
            name = LinkWords(f"bay {i + 1}{share}", partial(self._desk.selection.select, bay=f"{path}.bays.{i}"), 14)
            label = name if number else Words(f"bay {i + 1}", 14)
            add_size_row(self._desk, column, key, label, f"size of bay {i + 1}")
        if isinstance(division, Rows):
            for i in range(len(division.setbacks)):
                key = f"{self._letter}/{path}.setbacks.{i}"
                add_size_row(
                    self._desk, column, key, Words(f"Shelf {i + 1} set back", 14), f"set back of shelf {i + 1}"
                )
        SchoolForm(self._desk, self._letter, column).add(path, division)

    def _divide(self, path: str, rows: bool) -> None:
        case, new = divided(self._case, path, rows)
        if not self._desk.redesign("fixed shelf" if rows else "partition", case):
            self._desk.selection.select(bay=new)

    def _remove(self, path: str) -> None:
        case, left = without(self._case, path)
        if not self._desk.redesign("remove a bay", case):
            self._desk.selection.select(bay=left if isinstance(at(case, left), Bay) else "")

    def _fit(self, path: str, record: type) -> None:
        fitting = switched(None, record, self._desk.document.project.units.system)
        self._desk.redesign(fitting.words, fitted(self._case, path, fitting))

    def _without_fitting(self, path: str, number: int) -> None:
        words = at(self._case, path).fittings[number].words
        self._desk.redesign(f"{words} taken out", unfitted(self._case, path, number))


#: Things whose other schools may not go with the fronts, so that their pictures are built with them.
_WITH_FRONTS = {"frame", "fronts", "counter"}


def _bare(case: Case, thing: str) -> Case:
    """Return a case with no more than the picture of a thing needs, which is quicker to build."""
    bare = replace(case, inside=Bay(), cutouts=(), scribes=())
    if thing not in _WITH_FRONTS:
        bare = replace(bare, fronts=NoFronts())
    return bare if thing == "counter" else replace(bare, counter=NoCounter())
