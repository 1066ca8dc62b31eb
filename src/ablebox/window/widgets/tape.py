# SPDX-License-Identifier: GPL-3.0-or-later
"""The paper tape at the right: how the selected number was reckoned, like an adding machine."""

from __future__ import annotations

from collections.abc import Callable
from dataclasses import replace
from typing import Any

from PyQt6.QtCore import QPoint, QPointF, QRectF, Qt, QTimer
from PyQt6.QtGui import QPainter, QPaintEvent, QPen, QPolygonF
from PyQt6.QtWidgets import QApplication, QFrame, QGridLayout, QLineEdit, QPushButton, QScrollArea, QVBoxLayout, QWidget

from ...core.bench.clearances import doubt_of
from ...core.lengths import TICKS_PER_MM, Length, millimetres
from ...core.project import room_edits
from ...core.reckoning import Origin, Reckoned, Term
from ...core.room.reading import SAID, Deep, Method, Reading
from ...core.room.wall import SINGLE, number_of, prefix_of
from ...core.snags.sag import carried
from ...core.units import System
from .. import theme
from ..desk import Desk
from .choice_box import choice_box
from .length_field import LengthField
from .moved_list import add_moved
from .words import LinkWords, Words

WIDTH = 324
#: The name of what is at hand on a long tape: it is scrolled into view, with so many pixels around it.
AT_HAND = "at-hand"
_AROUND = 160
#: Milliseconds after which a new page is laid out for good.
_WRAPPED = 40
_TEETH = 12


class _Rule(QFrame):
    """The line under a sum: single, or double before the result."""

    def __init__(self, double: bool) -> None:
        super().__init__()
        self._double = double
        self.setFixedHeight(9 if double else 7)

    def paintEvent(self, event: QPaintEvent | None) -> None:
        painter = QPainter(self)
        painter.setPen(QPen(theme.colour("ink"), 1.2))
        for y in (3, 6) if self._double else (4,):
            painter.drawLine(0, y, self.width(), y)


class Tape(QWidget):
    """The tape.

    Args:
        desk: the workplace.
    """

    def __init__(self, desk: Desk) -> None:
        super().__init__()
        self._desk = desk
        #: What the tape shows when no number is selected; set by the stage in view.
        self.otherwise: Callable[[QVBoxLayout], None] | None = None
        #: What the tape shows in the place of a selected number, where the stage in view has more to say of it.
        self.instead: Callable[[QVBoxLayout], bool] | None = None
        self.setObjectName("tape")
        self.setFixedWidth(WIDTH)
        outer = QVBoxLayout(self)
        outer.setContentsMargins(4, 12 + _TEETH, 20, 16)
        self._scroll = QScrollArea()
        self._scroll.setWidgetResizable(True)
        self._scroll.setAlignment(Qt.AlignmentFlag.AlignLeft)
        self._scroll.setFrameShape(QFrame.Shape.NoFrame)
        self._scroll.setHorizontalScrollBarPolicy(Qt.ScrollBarPolicy.ScrollBarAlwaysOff)
        self._scroll.setStyleSheet("QScrollArea, QScrollArea > QWidget > QWidget { background: transparent; }")
        self._scroll.setFocusPolicy(Qt.FocusPolicy.NoFocus)
        outer.addWidget(self._scroll)

    def paintEvent(self, event: QPaintEvent | None) -> None:
        painter = QPainter(self)
        painter.setRenderHint(QPainter.RenderHint.Antialiasing)
        painter.fillRect(self.rect(), theme.colour("paper"))
        left, right, top, low = 0.0, self.width() - 14.0, 12.0, self.height() - 14.0
        painter.fillRect(QRectF(left + 3, top + _TEETH, right - left, low - top - _TEETH + 3), theme.colour("line"))
        count = 12
        step = (right - left) / count
        points = [QPointF(left, low), QPointF(left, top + _TEETH - 4)]
        for i in range(count):
            points.append(QPointF(left + (i + 0.5) * step, top + 4))
            points.append(QPointF(left + (i + 1) * step, top + _TEETH - 4))
        points.append(QPointF(right, low))
        painter.setBrush(theme.colour("card"))
        painter.setPen(QPen(theme.colour("line"), 1))
        painter.drawPolygon(QPolygonF(points))

    def follow(self) -> None:
        """The selection moved: show what is selected now."""
        if self._shown != self._desk.selection.number or not self._shown:
            self.refresh()

    def refresh(self) -> None:
        """Show the selected number, or what the stage has to show without one."""
        focus = QApplication.focusWidget()
        typing_in = focus.objectName() if focus is not None and self.isAncestorOf(focus) else ""
        page = QWidget()
        column = QVBoxLayout(page)
        column.setContentsMargins(14, 6, 4, 4)
        page.setFixedWidth(WIDTH - 38)
        column.setSpacing(4)
        self._shown = self._desk.selection.number
        number = self._desk.number(self._shown)
        if self._shown and self.instead is not None and self.instead(column):
            pass
        elif number is not None:
            self._number(column, number)
        elif self._desk.choice(self._shown) is not None:
            self._bare_choice(column, self._shown)
        elif self.otherwise is not None:
            self.otherwise(column)
        else:
            column.addWidget(Words("Select a number", 18, True))
            column.addWidget(
                Words("Its sum is shown here, back to what was measured or chosen.", 14, colour="quiet", wrap=True)
            )
        column.addStretch(1)
        bar = self._scroll.verticalScrollBar()
        subject = (self._shown, self._desk.selection.stage, self._desk.selection.joint, self._desk.selection.case)
        scrolled = bar.value() if bar is not None and subject == self._subject else 0
        self._subject = subject
        # The old page goes later: one of its own fields may be asking for the new one.
        old = self._scroll.takeWidget()
        if old is not None:
            old.hide()
            old.deleteLater()
        self._scroll.setWidget(page)
        again = page.findChild(QWidget, typing_in) if typing_in else None
        if again is not None:
            again.setFocus(Qt.FocusReason.OtherFocusReason)
        if bar is not None and scrolled:
            page.adjustSize()
            bar.setValue(scrolled)
        # At once, and again when the words are wrapped and everything has its height.
        for wait in (0, _WRAPPED):
            QTimer.singleShot(wait, self._to_hand)

    def _to_hand(self) -> None:
        """Scroll to what is at hand, where the stage says what that is."""
        page = self._scroll.widget()
        now = page.findChild(QWidget, AT_HAND) if page is not None else None
        view, bar = self._scroll.viewport(), self._scroll.verticalScrollBar()
        if page is None or now is None or view is None or bar is None:
            return
        y = now.mapTo(page, QPoint(0, 0)).y()
        if not bar.value() + _AROUND <= y <= bar.value() + view.height() - _AROUND:
            bar.setValue(y - view.height() // 2)

    _shown = ""
    _subject: tuple[str, ...] = ()

    def _number(self, column: QVBoxLayout, number: Reckoned) -> None:
        units = self._desk.document.project.units
        column.addWidget(Words(_capital(number.label), 20, True, wrap=True))
        column.addWidget(Words(self._where(number), 14, colour="quiet"))
        index = self._reading_index()
        if index is not None:
            self._reading(column, index)
        column.addSpacing(6)
        self._sum(column, number)
        doubt = doubt_of(number, self._desk.document.made)
        if doubt is not None:
            most, likely = (units.write(millimetres(f"{each:.4f}"), unit=True) for each in doubt)
            column.addWidget(
                Words(f"As built it is that within {likely}, at worst {most}.", 13, colour="quiet", wrap=True)
            )
        mark = units.rounded(number.length)[1]
        if mark:
            how = "a strong" if mark == "+" else "a weak"
            text = f"{how} {units.write(number.length)[:-1]}; exactly {units.exact(number.length)}"
            column.addWidget(Words(_capital(text), 13, colour="quiet", wrap=True))
        if self._desk.choice(number.key) is not None and not number.terms:
            self._type_over(column, number.key, "Set another size")
        elif self._desk.choice(number.key) is not None and number.key.endswith("/width"):
            self._type_over(column, number.key, "Set a width of your own")
        if number.key.startswith("stock/"):
            column.addWidget(
                Words("What calipers say. Everything after it is reckoned again.", 13, colour="quiet", wrap=True)
            )
            column.addSpacing(8)
            add_moved(self._desk, column)
        self._sag(column, number)
        if number.measurable:
            self._measured(column, number)
        self._after(column)

    def _sag(self, column: QVBoxLayout, number: Reckoned) -> None:
        """Tell how far a part sags whose length this is, by which figures, and where they come from."""
        made, units = self._desk.document.made, self._desk.document.project.units
        letter = number.key.partition("/")[0]
        if self._desk.known_case(letter) is None:
            return
        spans = [each for each in carried(made, letter) if each.part.length.key == number.key]
        worst = max(spans, key=lambda each: each.beam.ratio, default=None)
        if worst is None:
            return
        sag = Length(round(worst.beam.in_years * TICKS_PER_MM))
        most = Length(round(worst.beam.in_years / worst.beam.ratio * TICKS_PER_MM)) if worst.beam.ratio else sag
        text = (
            f"Sags {units.write(sag)} in years over {units.write(worst.span)} under {worst.load.name}, {units.write(most)} at most. "
            f"{_capital(worst.stuff.name)}: {worst.beam.stiffness:g} GPa, creep {worst.beam.creep:g} ({worst.stuff.source})."
        )
        column.addWidget(Words(text, 13, colour="quiet", wrap=True))

    def _where(self, number: Reckoned) -> str:
        head = number.key.partition("/")[0]
        unit = self._desk.document.project.units.name
        codes = [p.code for p in self._desk.document.made.parts if number.key in (p.length.key, p.width.key)]
        if codes:
            return (
                f"Case {head} · part {', '.join(codes)} · in {unit}"
                if unit == "mm"
                else f"Case {head} · part {', '.join(codes)} · inches"
            )
        places = {
            "stock": "Stock",
            "edging": "Stock",
            "run": "The run",
            "space": "The run",
            "strip": "The run",
            "way": "The way in",
            "corner": "The room",
        }
        wall = number_of(head)
        if wall is not None and wall <= len(self._desk.document.project.room.walls):
            places[head] = self._desk.document.project.wall(wall).name
        words = "inches" if unit == "in" else "mm"
        return f"{places.get(head, f'Case {head}')} · {words}"

    def _sum(self, column: QVBoxLayout, number: Reckoned) -> None:
        grid = QGridLayout()
        grid.setHorizontalSpacing(10)
        grid.setVerticalSpacing(2)
        grid.setColumnMinimumWidth(0, 12)
        grid.setColumnMinimumWidth(1, 88)
        grid.setColumnStretch(2, 1)
        row = 0
        shown = number
        if len(number.terms) == 1 and number.terms[0].item.shared_among > 1:
            shown = number.terms[0].item
        for i, term in enumerate(shown.terms):
            row = self._term(grid, row, term, first=i == 0)
        if shown.shared_among > 1:
            grid.addWidget(Words("÷", 16, colour="quiet"), row, 0)
            grid.addWidget(Words(str(shown.shared_among), 18, True, align="right"), row, 1)
            grid.addWidget(Words("shared out equally", 14), row, 2)
            row += 1
        if number.terms:
            grid.addWidget(_Rule(double=True), row, 1, 1, 2)
            row += 1
        write = self._desk.document.project.units.write
        if number.reckoned_length is not None:
            grid.addWidget(Words(write(number.reckoned_length), 16, align="right", colour="quiet"), row, 1)
            grid.addWidget(Words("by the sum", 14, colour="quiet"), row, 2)
            row += 1
        measured = number.origin is Origin.MEASURED
        grid.addWidget(Words(write(number.length), 23, True, "settled" if measured else "ink", "right"), row, 1)
        last = number.label if number.terms else number.source
        grid.addWidget(Words("measured" if number.reckoned_length is not None else last, 15, True, wrap=True), row, 2)
        column.addLayout(grid)

    def _term(self, grid: QGridLayout, row: int, term: Term, first: bool) -> int:
        write = self._desk.document.project.units.write
        sign = ("" if first else "+") if term.sign > 0 else "−"
        grid.addWidget(Words(sign, 16, colour="quiet"), row, 0)
        known = bool(term.item.key) and (
            self._desk.number(term.item.key) is not None or self._desk.choice(term.item.key) is not None
        )
        value = write(term.value)
        if known:
            key = term.item.key
            grid.addWidget(
                LinkWords(value, lambda: self._desk.selection.select(number=key), 18, True, align="right"), row, 1
            )
        else:
            grid.addWidget(Words(value, 18, True, align="right"), row, 1)
        grid.addWidget(Words(term.label, 15, wrap=True), row, 2)
        if term.item.source and not term.item.terms:
            grid.addWidget(Words(term.item.source, 13, colour="quiet", wrap=True), row + 1, 2)
            return row + 2
        return row + 1

    def _bare_choice(self, column: QVBoxLayout, key: str) -> None:
        found = self._desk.choice(key)
        assert found is not None
        units = self._desk.document.project.units
        column.addWidget(Words(_capital(found.title), 20, True, wrap=True))
        unit = "inches" if units.system is System.INCH else "mm"
        if self._wall() is not None and found.value is None:
            column.addWidget(Words(f"not measured yet · {unit}", 14, colour="quiet"))
            self._type_over(column, key, "What is read on the tape?")
            words = "Body in the corner, or across the front: you are asked once, for all readings of this wall."
            column.addWidget(Words(words, 13, colour="quiet", wrap=True))
            return
        column.addWidget(Words(f"a choice of yours · {unit}", 14, colour="quiet"))
        column.addSpacing(8)
        column.addWidget(Words(self._desk.shown(key) or "shared out", 26, True))
        self._type_over(column, key, "Set another size")

    def _type_over(self, column: QVBoxLayout, key: str, title: str) -> None:
        column.addSpacing(8)
        column.addWidget(Words(title, 15, True))
        field = LengthField(self._desk, key, title, selects=False)
        field.setObjectName(f"tape:{key}")
        column.addWidget(field)

    def _measured(self, column: QVBoxLayout, number: Reckoned) -> None:
        column.addSpacing(10)
        column.addWidget(Words("Measured the real one?", 15, True))
        field = LengthField(
            self._desk, number.key, f"measured {number.label}", lambda text: self._desk.measure(number.key, text)
        )
        field.setObjectName("tape:measured")
        field.setPlaceholderText(f"type it, e.g. {self._desk.document.project.units.write(number.length)}")
        column.addWidget(field)
        if number.reckoned_length is not None:
            free = QPushButton("Back to the sum")
            free.setObjectName("tape:free")
            free.clicked.connect(lambda: self._desk.measure(number.key, ""))
            column.addWidget(free)
        column.addWidget(
            Words("Everything after it is reckoned again from what you measured.", 13, colour="quiet", wrap=True)
        )

    def _after(self, column: QVBoxLayout) -> None:
        """Under a number of the room: what the case may be."""
        wall = self._wall()
        usable = self._desk.document.made.rooms[wall - 1].usable if wall else None
        if usable is not None and self._shown != usable.key:
            column.addSpacing(6)
            line = QFrame()
            line.setFixedHeight(1)
            line.setStyleSheet(f"background: {theme.colour('line').name()};")
            column.addWidget(line)
            column.addWidget(Words("So the case may be", 14, True, "quiet"))
            self._sum(column, usable)

    def _wall(self) -> int | None:
        """The number of the wall the selected number is of; ``None`` if it is of none."""
        found = number_of(self._shown.partition("/")[0])
        return found if found and found <= len(self._desk.document.project.room.walls) else None

    def _reading_index(self) -> int | str | None:
        """Which reading the selected number belongs to: an index of the widths, or its name where it stands alone."""
        number = self._wall()
        if number is None:
            return None
        key = self._shown.partition("/")[2].removesuffix(".read")
        wall = self._desk.document.project.wall(number)
        if key.startswith("width.") and key.removeprefix("width.").isdigit():
            at = int(key.removeprefix("width.")) - 1
            return at if at < len(wall.widths) else None
        return key if key in SINGLE and getattr(wall, key) is not None else None

    def _reading(self, column: QVBoxLayout, index: int | str) -> None:
        number = self._wall() or 1
        wall = self._desk.document.project.wall(number)
        reading = wall.widths[index] if isinstance(index, int) else getattr(wall, index)
        read = LengthField(
            self._desk,
            f"{prefix_of(number)}{f'width.{index + 1}' if isinstance(index, int) else index}.read",
            "read on the tool",
            selects=False,
        )
        read.setObjectName("tape:reading")
        column.addSpacing(2)
        form = QGridLayout()
        form.setHorizontalSpacing(8)
        form.setVerticalSpacing(2)
        form.setColumnStretch(0, 1)
        form.setColumnStretch(1, 1)
        if isinstance(index, int):
            place = QLineEdit(reading.place)
            place.setObjectName("tape:place")
            place.setAccessibleName("where it was read")
            place.editingFinished.connect(
                lambda: self._replace(index, "place", replace(reading, place=place.text().strip() or reading.place))
            )
            form.addWidget(Words("where", 13, colour="quiet"), 0, 0)
            form.addWidget(place, 1, 0)
        form.addWidget(Words("on the tool", 13, colour="quiet"), 0, 1)
        form.addWidget(read, 1, 1)
        if isinstance(index, int):
            up = LengthField(
                self._desk, f"{prefix_of(number)}width.{index + 1}.up", "how high it was read", selects=False
            )
            up.setObjectName("tape:up")
            up.setPlaceholderText("not noted")
            deep = choice_box(
                "tape:deep", "how deep it was read", [(each, each.words) for each in Deep], reading.deep,
                lambda each: self._replace(index, "depth", replace(reading, deep=each)),
            )  # fmt: skip
            deep.setMinimumContentsLength(6)
            form.addWidget(Words("how high", 13, colour="quiet"), 2, 0)
            form.addWidget(up, 3, 0)
            form.addWidget(Words("how deep", 13, colour="quiet"), 2, 1)
            form.addWidget(deep, 3, 1)
        column.addLayout(form)
        column.addWidget(Words("How was it taken?", 14, True, "quiet"))
        for method in SAID:
            button = QPushButton(method.words)
            button.setObjectName(f"method:{method.value}")
            button.setCheckable(True)
            button.setChecked(method is reading.method)
            button.setStyleSheet("text-align: left; padding: 1px 10px;")
            button.clicked.connect(lambda _, method=method: self._said(index, reading, method))
            column.addWidget(button)

    def _said(self, index: int | str, reading: Reading, method: Method) -> None:
        """Note how a reading was taken; what nobody has said of the others of its wall is answered with it."""
        number = self._wall() or 1
        after = room_edits.with_method(self._desk.document.project, number, index, method)
        self._desk.change(f"{reading.place}: {method.words}", after)

    def _replace(self, index: int | str, what: str, reading: Reading) -> None:
        project, number = self._desk.document.project, self._wall() or 1
        wall = project.wall(number)
        try:
            if isinstance(index, int):
                rows = list(wall.widths)
                rows[index] = reading
                after = replace(wall, widths=tuple(rows))
            else:
                alone: dict[str, Any] = {index: reading}
                after = replace(wall, **alone)
        except ValueError as fault:
            self._desk.document.refused.emit(f"{_capital(str(fault))}. Give it another name.")
            return
        self._desk.change(f"{reading.place}: another {what}", project.with_wall(number, after))


def _capital(text: str) -> str:
    return text[:1].upper() + text[1:]
