# SPDX-License-Identifier: GPL-3.0-or-later
"""The Parts stage: every part with its sizes, and the selected one on the bench."""

from __future__ import annotations

from collections.abc import Callable
from functools import partial

from PyQt6.QtCore import QItemSelectionModel, QModelIndex, Qt
from PyQt6.QtGui import QPainter
from PyQt6.QtWidgets import (
    QAbstractItemView,
    QGridLayout,
    QHBoxLayout,
    QHeaderView,
    QPushButton,
    QSizePolicy,
    QSplitter,
    QStyledItemDelegate,
    QStyleOptionViewItem,
    QTableView,
    QVBoxLayout,
    QWidget,
)

from ...core.bench.bench import known_steps
from ...core.bench.states import states
from ...core.cabinet.design import SCHOOLS
from ...core.cabinet.switching import switched
from ...core.drawing.cord_marks import cord_spaces_at
from ...core.drawing.part_view import part_view
from ...core.drawing.shapes import Drawing
from ...core.jigs.blocks import JIG
from ...core.log.entry import Entry, EntryKind
from ...core.order.book import PartState
from ...core.parts.listing import Part
from ...core.parts.register import code_at
from ...core.parts.words import edges, lines
from ...core.project.bench_edits import with_state
from ...core.project.loose_edits import another
from ...core.project.placed import FILLER, LOOSE, STRIP
from ...core.project.tree import Project
from ...core.shop.cut_off import cut_already, spoiled
from .. import theme
from ..desk import Desk
from ..qt_canvas import draw_text, text_width
from ..widgets.choice_box import choice_box
from ..widgets.drawing_view import DrawingView
from ..widgets.school_form import SchoolForm
from ..widgets.scroll_page import ScrollPage
from ..widgets.words import Words
from .loose_tape import add_loose
from .parts_model import ALIGN_RIGHT, COLUMNS, PartsModel
from .stage import Stage


class _Cell(QStyledItemDelegate):
    """Paints cells with real fractions."""

    def __init__(self, desk: Desk, chosen: Callable[[], Part | None]) -> None:
        super().__init__()
        self._desk, self._chosen = desk, chosen

    def paint(self, painter: QPainter | None, option: QStyleOptionViewItem, index: QModelIndex) -> None:
        if painter is None:
            return
        model = index.model()
        assert isinstance(model, PartsModel)
        part = model.part(index.row())
        selection = self._desk.selection
        chosen_part = self._chosen()
        if part is not None and part is chosen_part:
            painter.fillRect(option.rect, theme.colour("select-wash"))
        text = str(index.data() or "")
        heading = part is None
        key = model.key(index)
        chosen = bool(key) and key == selection.number and part is not None and part is chosen_part
        colour = "select" if chosen else "quiet" if heading else "ink"
        bold = chosen or heading or index.column() == 0
        x = option.rect.left() + 8.0
        if index.column() in ALIGN_RIGHT and not heading:
            x = option.rect.right() - 8 - text_width(text, 15, bold)
        painter.save()
        if not heading:
            painter.setClipRect(option.rect)
        else:
            painter.setClipping(False)
        if not heading:
            text = _fitting(text, option.rect.width() - 10.0, bold)
        draw_text(painter, x, option.rect.center().y() + 1, text, 15 if not heading else 14, colour, bold)
        painter.restore()


def _fitting(text: str, room: float, bold: bool) -> str:
    """Return as much of a text as a cell has room for, with a mark where it is cut."""
    if text_width(text, 15, bold) <= room:
        return text
    while text and text_width(f"{text}…", 15, bold) > room:
        text = text[:-1]
    return f"{text.rstrip()}…"


#: Pieces whose states stand on the tape at most.
_MOST_STATES = 12
#: What the tape says of a part of no case.
_OF_THE_RUN = "its sizes are set on the Run stage."
_WHERE_SET = {FILLER: f"A filler of the run: {_OF_THE_RUN}", STRIP: f"A strip along a run: {_OF_THE_RUN}"}


class PartsStage(Stage):
    """All parts."""

    name, title = "parts", "Parts"
    help = "See every part and the sum behind it"

    def __init__(self, desk: Desk) -> None:
        super().__init__(desk)
        self.model = PartsModel()
        self.table = QTableView()
        self.table.setObjectName("parts-table")
        self.table.setAccessibleName("parts")
        self.table.setModel(self.model)
        self.table.setItemDelegate(_Cell(desk, self._part))
        self.table.setSelectionMode(QAbstractItemView.SelectionMode.SingleSelection)
        self.table.setSelectionBehavior(QAbstractItemView.SelectionBehavior.SelectItems)
        self.table.setShowGrid(False)
        self.table.setTabKeyNavigation(False)
        vertical, header = self.table.verticalHeader(), self.table.horizontalHeader()
        assert vertical is not None
        assert header is not None
        vertical.hide()
        vertical.setDefaultSectionSize(22)
        header.setHighlightSections(False)
        header.setDefaultAlignment(Qt.AlignmentFlag.AlignLeft | Qt.AlignmentFlag.AlignVCenter)
        for i, (_, width) in enumerate(COLUMNS):
            self.table.setColumnWidth(i, width)
        header.setSectionResizeMode(len(COLUMNS) - 1, QHeaderView.ResizeMode.Stretch)
        selection = self.table.selectionModel()
        assert selection is not None
        selection.currentChanged.connect(self._current)
        split = QSplitter(Qt.Orientation.Vertical)
        split.setChildrenCollapsible(False)
        split.addWidget(self.table)
        bench = QWidget()
        lower = QHBoxLayout(bench)
        lower.setContentsMargins(0, 4, 0, 0)
        self.drawing = DrawingView(desk, "part")
        lower.addWidget(self.drawing, 3)
        self._notes = QWidget()
        self._notes.setSizePolicy(QSizePolicy.Policy.Preferred, QSizePolicy.Policy.Expanding)
        self._lines = QVBoxLayout(self._notes)
        self._lines.setContentsMargins(8, 10, 0, 0)
        self._lines.setSpacing(1)
        # Long lists of work scroll, so that the table keeps its room.
        self._notes.setObjectName("stage")
        page = ScrollPage()
        page.setWidget(self._notes)
        lower.addWidget(page, 2)
        split.addWidget(bench)
        split.setSizes([346, 276])
        self.body.addWidget(split, 1)
        add = QPushButton("Add a part of its own")
        add.setObjectName("add-loose")
        add.setToolTip("A part that belongs to no case, cut along with the others")
        add.clicked.connect(self._add_loose)
        self.head.addWidget(add)

    def _add_loose(self) -> None:
        after = another(self.desk.document.project)
        if not self.desk.change("Add a part of its own", after):
            code = code_at(self.desk.document.made.parts, f"{LOOSE}/{len(after.loose)}.1")
            self.desk.selection.select(part=code, number="")

    def state(self) -> str:
        """Return how many parts there are."""
        return f"{sum(part.count for part in self.desk.document.made.parts)} parts"

    def refresh(self) -> None:
        """Show all parts as they stand."""
        made = self.desk.document.made
        pieces = sum(part.count for part in made.parts)
        self.heading.set_text(f"{pieces} parts, {len(made.parts)} of them distinct")
        self.under.set_text(f"Cut size is at the saw; finished size has thick bands on. Sizes in {made.units.words}.")
        self.model.show(made)
        self.table.clearSpans()
        for row in range(self.model.rowCount()):
            if self.model.part(row) is None:
                self.table.setSpan(row, 0, 1, len(COLUMNS))
        self.select()

    def _part(self) -> Part | None:
        """Return the selected part, the first one if none is; ``None`` where there are no parts."""
        parts = self.desk.document.made.parts
        return next((part for part in parts if part.code == self.desk.selection.part), parts[0] if parts else None)

    def select(self) -> None:
        """Show the selected part on the bench."""
        part = self._part()
        row = self.model.row_of(part.code if part is not None else "")
        current = self.table.currentIndex()
        selection = self.table.selectionModel()
        if row is not None and current.row() != row and selection is not None:
            selection.blockSignals(True)
            index = self.model.index(row, max(0, current.column()))
            selection.setCurrentIndex(index, QItemSelectionModel.SelectionFlag.ClearAndSelect)
            selection.blockSignals(False)
            self.table.scrollTo(index)
        viewport = self.table.viewport()
        if viewport is not None:
            viewport.update()
        while self._lines.count():
            item = self._lines.takeAt(0)
            widget = item.widget() if item else None
            if widget is not None:
                widget.hide()
                widget.deleteLater()
        if part is None:
            self.drawing.show_drawing(Drawing("no part"))
            return
        units = self.desk.document.project.units
        view = part_view(part, units)
        view.add(*cord_spaces_at(self.desk.document.made, part))
        self.drawing.show_drawing(view)
        self._lines.addWidget(Words(f"{part.code}  {part.name}", 17, True))
        facts = f"{part.bench_face.words} face up"
        if part.hand.value:
            facts += f" · {part.hand.value} hand, mark it"
        self._lines.addWidget(Words(facts, 14, colour="quiet", wrap=True))
        if part.bands:
            self._lines.addWidget(Words(f"banded: {edges(part)}", 13, wrap=True))
        for line in lines(part.machining, units):
            self._lines.addWidget(Words(line, 13, wrap=True))
        if not part.machining:
            self._lines.addWidget(Words("cut to size, nothing to machine", 14, colour="quiet", wrap=True))
        self._lines.addStretch(1)

    def tape(self, column: QVBoxLayout) -> None:
        """Work on the selected part: holes, slots, notches, an arch."""
        part = self._part()
        if part is None:
            super().tape(column)
            return
        column.addWidget(Words(f"{part.code}  {part.name}", 20, True, wrap=True))
        if part.case == LOOSE:
            add_loose(self.desk, column, part)
            self._add_cut(column, part)
            return
        if self.desk.known_case(part.case) is None:
            if part.case == JIG:
                sets = part.length.note or part.thickness.note
                words = f"Cut from an offcut, its size written on it: {sets}. It follows from the design; keep it with the shop on the rack."
                column.addWidget(Words(words, 14, colour="quiet", wrap=True))
                return
            column.addWidget(Words(_WHERE_SET[part.case], 14, colour="quiet", wrap=True))
            self._add_cut(column, part)
            return
        case = self.desk.document.project.case(part.case)
        column.addWidget(Words("Work on it · click a size for its sum", 14, colour="quiet", wrap=True))
        for i, extra in enumerate(case.extras):
            if extra.role not in part.roles:
                continue
            column.addSpacing(6)
            column.addWidget(Words(extra.words.capitalize(), 15, True))
            SchoolForm(self.desk, part.case, column).add(f"extras.{i}", extra)
            gone = tuple(other for n, other in enumerate(case.extras) if n != i)
            drop = QPushButton("Take it away")
            drop.setObjectName(f"drop-extra:{i}")
            drop.clicked.connect(lambda _, gone=gone: self.desk.put(part.case, "extras", gone, "take work away"))
            column.addWidget(drop)
        column.addSpacing(8)
        column.addWidget(Words("Add to it", 15, True))
        grid = QGridLayout()
        grid.setSpacing(6)
        for i, (name, record) in enumerate(SCHOOLS["extra"].items()):
            called: str = record.words  # type: ignore[attr-defined]
            add = QPushButton(called.capitalize())
            add.setProperty("small", True)
            add.setObjectName(f"add-extra:{name}")
            add.setAccessibleName(f"add to {part.code}: {called}")
            add.clicked.connect(lambda _, record=record: self._work_on(part, record))
            grid.addWidget(add, i // 2, i % 2)
        column.addLayout(grid)
        self._add_cut(column, part)
        if part.count > 1:
            column.addWidget(Words(f"Added to all {part.count} of them.", 13, colour="quiet"))

    def _add_states(self, column: QVBoxLayout, part: Part) -> None:
        """Say how far each piece has come, and let a person say otherwise."""
        made = self.desk.document.made
        column.addSpacing(8)
        column.addWidget(Words("How far it is", 15, True))
        rows = [(None, "as ticked"), *((state, state.value) for state in PartState)]
        found = states(made, part, known_steps(made, part.case))
        for piece, place, state in list(zip(part.pieces, part.places, found, strict=True))[:_MOST_STATES]:
            row = QHBoxLayout()
            row.addWidget(Words(f"{piece}: {state.value}", 14), 1)
            told = made.project.bench.states.get(place)
            row.addWidget(
                choice_box(f"state:{place}", f"state of {piece}", rows, told, partial(self._tell, piece, place))
            )
            column.addLayout(row)

    def _tell(self, piece: str, place: str, state: PartState | None) -> None:
        project = self.desk.document.project
        if state is PartState.SPOILED:
            # It is made again, at its place in the order.
            part = self._part()
            again = spoiled(project, part, place) if part is not None else project
            self._spoil(piece, with_state(again, place, PartState.PLANNED), f"{piece} is spoiled and made again")
            return
        words = state.value if state is not None else "as ticked"
        self.desk.change(f"{piece}: {words}", with_state(project, place, state))

    def _spoil(self, piece: str, after: Project, words: str) -> None:
        """Take a piece as spoiled, and write that down."""
        if not self.desk.change(words, after):
            self.desk.document.log(Entry(self.desk.now(), EntryKind.MISTAKE, "spoiled, made again", piece))

    def _add_cut(self, column: QVBoxLayout, part: Part) -> None:
        """Say how many are cut, and let one be made again."""
        self._add_states(column, part)
        cut = cut_already(self.desk.document.project, part)
        if cut:
            column.addSpacing(8)
            column.addWidget(Words(f"{cut} of {part.count} cut", 15, True, "settled"))
            again = QPushButton("One is spoiled, make it again")
            again.setObjectName("part-spoiled")
            again.clicked.connect(lambda: self._again(part))
            column.addWidget(again)

    def _again(self, part: Part) -> None:
        project = self.desk.document.project
        last = next((piece.place for piece in reversed(project.done) if piece.place in part.places), "")
        after = spoiled(project, part)
        piece = dict(zip(part.places, part.pieces, strict=True)).get(last, part.code)
        self._spoil(piece, with_state(after, last, PartState.PLANNED) if last else after, f"{part.code} is made again")

    def _work_on(self, part: Part, record: type) -> None:
        project = self.desk.document.project
        new = tuple(switched(None, record, project.units.system, role=role) for role in part.roles)
        extras = (*project.case(part.case).extras, *new)
        self.desk.put(part.case, "extras", extras, f"{new[0].words} in the {part.name}")

    def _current(self, index: QModelIndex, _: QModelIndex) -> None:
        part = self.model.part(index.row()) if index.isValid() else None
        if part is not None:
            self.desk.selection.select(
                part=part.code, case=self.desk.known_case(part.case), number=self.model.key(index)
            )
