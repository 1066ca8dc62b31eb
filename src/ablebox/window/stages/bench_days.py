# SPDX-License-Identifier: GPL-3.0-or-later
"""The day as a foreman's sheet: hours down the side, what each pair of hands does, what waits; the weeks as a strip above it.

A step is dragged from the sheet onto another day of the strip.
"""

from __future__ import annotations

from collections.abc import Callable
from datetime import date, time, timedelta

from PyQt6.QtCore import QPointF, QRectF, QSize, Qt, pyqtSignal
from PyQt6.QtGui import QKeyEvent, QMouseEvent, QPainter, QPaintEvent, QPen
from PyQt6.QtWidgets import QSizePolicy, QWidget

from ...core.schedule.day import Block, Waiting, blocks, used, waits
from ...core.schedule.plan import Plan
from .. import theme
from ..qt_canvas import draw_text, text_width, wrapped

#: The strip of days: height of it and width of a day.
_STRIP, _CELL = 56, 34
#: Left of the sheet the hours, right of it what waits.
_SIDE, _WAITS = 54, 190
_HEAD = 12
_LEAST_HOUR = 22


class DaySheet(QWidget):
    """The sheet of a day under the strip of days."""

    #: A day was chosen; a step was; a step was dragged onto a day.
    day_chosen = pyqtSignal(object)
    step_chosen = pyqtSignal(int)
    moved = pyqtSignal(int, object)

    def __init__(self) -> None:
        super().__init__()
        self.setObjectName("day-sheet")
        self.setAccessibleName("the day, hour by hour")
        self.setSizePolicy(QSizePolicy.Policy.Expanding, QSizePolicy.Policy.Expanding)
        self.setMinimumSize(360, 260)
        self.setFocusPolicy(Qt.FocusPolicy.StrongFocus)
        self._plan: Plan | None = None
        self._day = date(2000, 1, 1)
        self._blocks: list[Block] = []
        self._waits: list[Waiting] = []
        self._chosen = 0
        self._dragged: tuple[int, QPointF] | None = None

    def sizeHint(self) -> QSize:
        return QSize(780, 420)

    def show_day(self, plan: Plan, day: date, title: Callable[[int], str], chosen: int) -> None:
        """Show a day of a plan.

        Args:
            plan: the plan.
            day: the day.
            title: says what a step is.
            chosen: the number of the step in view.
        """
        self._plan, self._day, self._chosen = plan, day, chosen
        self._blocks, self._waits = blocks(plan, day, title), waits(plan, day, title)
        self.setAccessibleDescription(
            "; ".join(f"{_clock(b.start)} {b.title}" for b in self._blocks) or "nothing on this day"
        )
        self.update()

    # Where things are

    def days(self) -> list[date]:
        """Return the days of the strip: whole weeks, as many as there is room for, the day in view among them."""
        assert self._plan is not None
        first = self._plan.line.first - timedelta(days=self._plan.line.first.weekday())
        count = max(7, (self.width() - 20) // _CELL // 7 * 7)
        weeks = (self._day - first).days // 7
        shown = count // 7
        start = max(0, min(weeks - shown // 2, (self._plan.end.date() - first).days // 7 + 1 - shown))
        return [first + timedelta(days=7 * start + i) for i in range(count)]

    def cell(self, i: int) -> QRectF:
        """Return where a day of the strip is."""
        return QRectF(10 + i * _CELL, 4, _CELL - 4, _STRIP - 12)

    def _span(self) -> tuple[int, int]:
        """Return the first and the last hour of the sheet."""
        assert self._plan is not None
        spans = self._plan.line.book.hours.on(self._day)
        starts = [span.start.hour for span in spans] + [block.start // 60 for block in self._blocks]
        ends = [span.end.hour + (span.end.minute > 0) for span in spans] + [
            -(-block.end // 60) for block in self._blocks
        ]
        if not starts:
            return 8, 18
        return max(0, min(starts) - 1), min(24, max(ends) + 1)

    def _y(self, minute: float) -> float:
        first, last = self._span()
        high = max(_LEAST_HOUR * (last - first), self.height() - _STRIP - 2 * _HEAD)
        return _STRIP + _HEAD + (minute - first * 60) / ((last - first) * 60) * high

    def block_rect(self, block: Block) -> QRectF:
        """Return where a stretch of work is."""
        columns = max((each.column + each.hands for each in self._blocks), default=1)
        wide = (self.width() - _SIDE - _WAITS - 16) / columns
        top = self._y(block.start)
        return QRectF(_SIDE + block.column * wide + 4, top + 1, wide * block.hands - 8, self._y(block.end) - top - 2)

    def point_of(self, n: int) -> QPointF:
        """Return the middle of a step on the sheet."""
        block = next(block for block in self._blocks if block.has(n))
        _, start, end, _ = next(row for row in block.rows if row[0] == n)
        return QPointF(self.block_rect(block).center().x(), (self._y(start) + self._y(end)) / 2)

    def point_of_day(self, day: date) -> QPointF:
        """Return the middle of a day on the strip."""
        return self.cell(self.days().index(day)).center()

    # Drawing

    def paintEvent(self, event: QPaintEvent | None) -> None:
        painter = QPainter(self)
        painter.setRenderHint(QPainter.RenderHint.Antialiasing)
        if self._plan is None:
            return
        self._strip(painter)
        self._sheet(painter)
        if self._dragged is not None:
            n, at = self._dragged
            title = next((row[3] for block in self._blocks for row in block.rows if row[0] == n), "")
            draw_text(painter, at.x() + 10, at.y(), title, 15, "select", True)

    def _strip(self, painter: QPainter) -> None:
        assert self._plan is not None
        line = self._plan.line
        over = self._day_at(self._dragged[1]) if self._dragged is not None else None
        others = {other.at.date() for other in line.book.others}
        for i, day in enumerate(self.days()):
            cell = self.cell(i)
            spans = line.book.hours.on(day)
            there = sum((_minutes(span.end) - _minutes(span.start)) * span.hands for span in spans)
            taken = used(self._plan, day)
            painter.setPen(QPen(theme.colour("select" if day == self._day else "line"), 2 if day == self._day else 1))
            painter.setBrush(theme.colour("card" if there else "paper"))
            painter.drawRect(cell)
            if there and taken:
                share = min(1.0, taken / there) * (cell.height() - 2)
                painter.fillRect(
                    QRectF(cell.left() + 1, cell.bottom() - 1 - share, cell.width() - 2, share), theme.colour("rule")
                )
            if day == over:
                painter.setPen(QPen(theme.colour("select"), 3))
                painter.setBrush(Qt.BrushStyle.NoBrush)
                painter.drawRect(cell)
            ink = "ink" if there else "quiet"
            draw_text(painter, cell.left() + 4, cell.top() + 11, "MTWTFSS"[day.weekday()], 12, ink)
            draw_text(painter, cell.left() + 4, cell.top() + 29, str(day.day), 14, ink, day == self._day)
            if any(span.hands > 1 for span in spans):
                draw_text(painter, cell.right() - 15, cell.top() + 11, "×2", 12, ink)
            if day in others:
                draw_text(painter, cell.right() - 11, cell.top() + 29, "△", 12, "snag")

    def _sheet(self, painter: QPainter) -> None:
        assert self._plan is not None
        book = self._plan.line.book
        first, last = self._span()
        right = self.width() - _WAITS - 8
        spans = book.hours.on(self._day)
        for span in spans:
            top, bottom = self._y(_minutes(span.start)), self._y(_minutes(span.end))
            painter.fillRect(QRectF(_SIDE, top, right - _SIDE, bottom - top), theme.colour("card"))
        if self._day.weekday() not in book.noise.quiet:
            top, bottom = max(_minutes(book.noise.start), first * 60), min(_minutes(book.noise.end), last * 60)
            if bottom > top:
                painter.fillRect(
                    QRectF(_SIDE - 8, self._y(top), 6, self._y(bottom) - self._y(top)), theme.colour("rule")
                )
        for hour in range(first, last + 1):
            y = self._y(hour * 60)
            painter.setPen(QPen(theme.colour("line"), 1))
            painter.drawLine(QPointF(_SIDE, y), QPointF(right, y))
            draw_text(painter, 6, y, f"{hour}:00", 13, "quiet")
        for block in self._blocks:
            self._block(painter, block)
        if not self._blocks:
            words = "Nothing is done on this day." if spans else "A day off."
            draw_text(painter, _SIDE + 16, _STRIP + _HEAD + 26, words, 15, "quiet")
        self._waiting(painter, right)

    def _block(self, painter: QPainter, block: Block) -> None:
        rect = self.block_rect(block)
        chosen = block.has(self._chosen)
        painter.setPen(QPen(theme.colour("select" if chosen else "ink"), 2 if chosen else 1))
        painter.setBrush(theme.colour("wood"))
        painter.drawRect(rect)
        if rect.height() < 12:
            # Too low for words: they stand under it, where nothing else does.
            below = QRectF(rect.left(), rect.bottom() + 2, rect.width(), 15)
            if not any(self.block_rect(each).intersects(below) for each in self._blocks if each is not block):
                words = f"{_clock(block.start)}  {block.title}"
                draw_text(
                    painter, rect.left() + 6, rect.bottom() + 9, _cut(words, rect.width() - 12), 12, "ink", chosen
                )
            return
        room = rect.width() - 12
        marks = (" · two" if block.hands > 1 else "") + (" · noise" if block.noisy else "")
        words = f"{_clock(block.start)}  {block.title}{marks}"
        lines = wrapped(words, 14, False, room)
        shown = lines[: max(1, int((rect.height() - 2) // 17))]
        if len(shown) < len(lines) or text_width(shown[-1], 14, False) > room:
            shown[-1] = _cut(shown[-1] + ("" if len(shown) == len(lines) else " …"), room)
        top = rect.top() + (rect.height() / 2 if len(shown) == 1 and rect.height() < 24 else 11)
        for i, line in enumerate(shown):
            draw_text(painter, rect.left() + 6, top + 17 * i, line, 14 if rect.height() >= 16 else 12, "ink", chosen)

    def _waiting(self, painter: QPainter, right: float) -> None:
        """Draw what waits beside the sheet: a hatched bar as long as it waits, with words where there is room."""
        taken = 0.0
        for i, waiting in enumerate(self._waits[:7]):
            start, end = waiting.start, waiting.end
            until = f"{waiting.until:%H:%M}" if waiting.until.date() == self._day else f"{waiting.until:%a %H:%M}"
            words = f"{waiting.title}: waits until {until}"
            x = right + 6 + 7 * i
            top, bottom = self._y(max(start, self._span()[0] * 60)), self._y(min(end, self._span()[1] * 60))
            bar = QRectF(x, top, 5, max(4.0, bottom - top))
            painter.setPen(QPen(theme.colour("dimension"), 1))
            painter.setBrush(theme.colour("paper"))
            painter.drawRect(bar)
            y = bar.top() + 3
            while y < bar.bottom() - 1:
                painter.drawLine(QPointF(bar.left(), y + 3), QPointF(bar.right(), y))
                y += 6
            at = max(top + 6, taken)
            for line in wrapped(words, 12, False, _WAITS - 62)[:2]:
                if at < self.height() - 8:
                    draw_text(painter, right + 58, at, line, 12, "dimension")
                at += 15
            taken = at + 4

    # Hands

    def _block_at(self, at: QPointF) -> Block | None:
        return next((block for block in self._blocks if self.block_rect(block).contains(at)), None)

    def _day_at(self, at: QPointF) -> date | None:
        return next((day for i, day in enumerate(self.days()) if self.cell(i).contains(at)), None)

    def mousePressEvent(self, event: QMouseEvent | None) -> None:
        if event is None or self._plan is None:
            return
        block, day = self._block_at(event.position()), self._day_at(event.position())
        if block is not None:
            n = next((row[0] for row in block.rows if event.position().y() <= self._y(row[2])), block.rows[-1][0])
            self._dragged = n, event.position()
            self.step_chosen.emit(n)
        elif day is not None:
            self.day_chosen.emit(day)

    def mouseMoveEvent(self, event: QMouseEvent | None) -> None:
        if event is not None and self._dragged is not None:
            self._dragged = self._dragged[0], event.position()
            self.update()

    def mouseReleaseEvent(self, event: QMouseEvent | None) -> None:
        dragged, self._dragged = self._dragged, None
        if event is None or dragged is None:
            return
        day = self._day_at(event.position())
        self.update()
        if day is not None and day != self._day:
            self.moved.emit(dragged[0], day)

    def keyPressEvent(self, event: QKeyEvent | None) -> None:
        if event is None:
            return
        by = {Qt.Key.Key_Left: -1, Qt.Key.Key_Right: 1, Qt.Key.Key_Up: -7, Qt.Key.Key_Down: 7}.get(Qt.Key(event.key()))
        if by is None:
            super().keyPressEvent(event)
        else:
            self.day_chosen.emit(self._day + timedelta(days=by))


def _minutes(at: time) -> int:
    return at.hour * 60 + at.minute


def _clock(minute: int) -> str:
    return f"{minute // 60}:{minute % 60:02d}"


def _cut(words: str, room: float) -> str:
    """Return words shortened to fit, if they do not."""
    if text_width(words, 14, False) <= room:
        return words
    while words and text_width(f"{words}…", 14, False) > room:
        words = words[:-1]
    return f"{words.rstrip(' …')}…"
