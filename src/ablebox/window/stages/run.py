# SPDX-License-Identifier: GPL-3.0-or-later
"""The Run stage: what stands along each wall, put in order, spaced and shared out on its drawing."""

from __future__ import annotations

from collections.abc import Callable
from functools import partial

from PyQt6.QtWidgets import QHBoxLayout, QMenu, QPushButton, QStackedWidget, QVBoxLayout, QWidget

from ...core.cabinet.kinds import KINDS
from ...core.drawing.plan_view import plan_view
from ...core.drawing.run_view import run_view
from ...core.drawing.story_view import story_view
from ...core.lengths import TICKS_PER_MM, ZERO, Length
from ...core.project import along_run, run_edits, run_widths, strip_edits
from ...core.project.changes import add_case
from ...core.project.tree import Project
from ...core.run.place import Line, Place
from ...core.run.space import SpaceKind
from ...core.run.strip import NAMES
from ...core.shop.story import case_stick, wall_stick
from ..desk import Desk
from ..widgets.drawing_view import DrawingView
from ..widgets.wall_tabs import WallTabs
from ..widgets.words import Words
from .run_drawing import RunDrawing
from .run_tape import add_case_in_run, add_line, add_space, add_strips
from .stage import Stage


class RunStage(Stage):
    """The runs, wall by wall."""

    name, title = "run", "Run"
    help = "Set cases along the walls"

    def __init__(self, desk: Desk) -> None:
        super().__init__(desk)
        self._tabs = WallTabs("run-wall")
        self._tabs.picked.connect(self._show_wall)
        self.head.addWidget(self._tabs)
        self._views: dict[str, QPushButton] = {}
        for name, words in (("plan", "From above"), ("sticks", "Sticks")):
            button = QPushButton(words)
            button.setObjectName(f"run-view:{name}")
            button.setCheckable(True)
            button.clicked.connect(partial(self._turn, name))
            self._views[name] = button
        self._pages = QStackedWidget()
        self.drawing = RunDrawing(desk, self.move_along, self.lines, self.drag)
        self.plan = DrawingView(desk, "run-plan")
        sticks = QWidget()
        both = QHBoxLayout(sticks)
        both.setContentsMargins(0, 0, 0, 0)
        self.wall_stick, self.case_stick = DrawingView(desk, "wall-stick"), DrawingView(desk, "case-stick")
        both.addWidget(self.wall_stick, 1)
        both.addWidget(self.case_stick, 1)
        for page in (self.drawing, self.plan, sticks):
            self._pages.addWidget(page)
        self.body.addWidget(self._pages, 1)
        row = QHBoxLayout()
        row.setSpacing(3)
        for name, words, action in (
            ("run-left", "◂ Move", partial(self.move_along, -1)),
            ("run-right", "Move ▸", partial(self.move_along, 1)),
        ):
            button = QPushButton(words)
            button.setObjectName(name)
            button.clicked.connect(lambda _, action=action: action())
            row.addWidget(button)
        row.addStretch(1)
        add = QPushButton("Put in")
        add.setObjectName("run-add")
        add.setMenu(self._menu(add))
        row.insertWidget(2, add)
        whole = QPushButton("Whole run")
        whole.setObjectName("run-whole")
        menu = QMenu(whole)
        for name, words, act in (
            ("run-share", "Share the width out equally", self.share_out),
            ("run-mirror", "Mirror it", self.mirror),
            ("run-kick", "One kick board before its cases", partial(self.along, "One kick board", along_run.one_kick)),
            ("run-top", "One top over its cases", partial(self.along, "One top", along_run.one_top)),
            (
                "run-stiles",
                "Stiles follow, one over two sides",
                partial(self.along, "Stiles follow", along_run.stiles_follow),
            ),
        ):
            entry = menu.addAction(words)
            assert entry is not None
            entry.setObjectName(name)
            entry.triggered.connect(lambda _, act=act: act())
        self._modules = QMenu("Widths in modules, a filler takes the rest", menu)
        self._modules.setObjectName("run-modules")
        self._modules.aboutToShow.connect(self.fill_modules)
        menu.addMenu(self._modules)
        menu.addSeparator()
        for name in NAMES:
            entry = menu.addAction(f"Add a {name} along it")
            assert entry is not None
            entry.setObjectName(f"add-strip:{name.partition(' ')[0]}")
            entry.triggered.connect(lambda _, name=name: self.add_strip(name))
        whole.setMenu(menu)
        row.insertWidget(3, whole)
        for button in self._views.values():
            row.addWidget(button)
        self.body.addLayout(row)

    def _menu(self, owner: QPushButton) -> QMenu:
        menu = QMenu(owner)
        for kind in SpaceKind:
            action = menu.addAction(kind.words.capitalize())
            assert action is not None
            action.setObjectName(f"add-{kind.name.lower()}")
            action.triggered.connect(lambda _, kind=kind: self.add(kind))
        menu.addSeparator()
        for name, row in KINDS.items():
            action = menu.addAction(f"Case: {row.words}")
            assert action is not None
            action.setObjectName(f"add-in-run:{name}")
            action.triggered.connect(lambda _, name=name: self.add_case(name))
        return menu

    def _turn(self, name: str) -> None:
        """Show the plan or the sticks, or go back to the run."""
        shown = self._views[name].isChecked()
        for other, button in self._views.items():
            button.setChecked(other == name and shown)
        self._pages.setCurrentIndex({"plan": 1, "sticks": 2}[name] if shown else 0)
        self.select()

    def add_case(self, kind: str) -> None:
        """Add a case of a kind to the run of the wall at hand, after what is selected."""
        here = self.at_hand()
        project = self.desk.document.project
        after, letter = add_case(project, kind)
        own = here[0].places[here[1]].letter if here is not None else ""
        self._change(f"Add case {letter} to the run", run_edits.put_in(after, letter, self.number, own))
        self.desk.selection.select(case=letter, number="", part="")

    @property
    def number(self) -> int:
        """Number of the wall at hand."""
        return min(self.desk.selection.wall, len(self.desk.document.project.room.walls))

    @property
    def space(self) -> int:
        """Number of the space that is selected; 0 if none is."""
        head, _, rest = self.desk.selection.number.partition("/")
        at = rest.partition(".")[0]
        count = len(self.desk.document.project.spaces)
        return int(at) if head == "space" and at.isdigit() and 1 <= int(at) <= count else 0

    def lines(self) -> list[Line]:
        """Return the runs of the wall at hand: floor, then what hangs."""
        made = self.desk.document.made
        return [made.line(self.number), made.line(self.number, True)]

    def at_hand(self) -> tuple[Line, int] | None:
        """Return the run and the place in it of what is selected; ``None`` if it stands elsewhere."""
        for line in self.lines():
            for i, place in enumerate(line.places):
                if self._is_chosen(place):
                    return line, i
        return None

    def _line(self) -> Line:
        """Return the run of what is selected, or the one on the floor."""
        here = self.at_hand()
        return here[0] if here is not None else self.lines()[0]

    def _is_chosen(self, place: Place) -> bool:
        if self.space:
            return place.space == self.space
        return bool(place.letter) and place.letter == self.desk.selection.case

    def state(self) -> str:
        """Return how the runs add up."""
        lines = self.desk.document.made.lines
        over = [each for line in lines if (each := line.left_over) is not None and (not line.upper or each < ZERO)]
        if any(each < ZERO for each in over):
            return "too wide"
        if any(each > ZERO for each in over):
            return "some left over"
        return "adds up ✓" if over else "no wall yet"

    def refresh(self) -> None:
        """Show the runs as they stand."""
        self.select()

    def _show_wall(self, number: int) -> None:
        first = next((p.letter for p in self.desk.document.made.line(number).places if p.letter), None)
        self.desk.selection.select(wall=number, number="", case=first)

    def select(self) -> None:
        """Show the wall of what is selected."""
        case = self.desk.known_case(self.desk.selection.case)
        if self.space:
            wall = self.desk.document.project.spaces[self.space - 1].wall
        else:
            found = self.desk.document.project.case(case) if case else None
            wall = found.wall if found is not None and found.in_alcove else self.number
        picked = self._shown_case is None and self.desk.selection.picked_with == self.desk.selection.case
        if wall != self.number and self._shown_case != (case, self.space) and not picked:
            self._shown_case = (case, self.space)
            self.desk.selection.select(wall=wall)
            return
        self._shown_case = (case, self.space)
        self._tabs.show_walls(self.desk.document.project.room.all_called, self.number)
        made = self.desk.document.made
        self.heading.set_text("The run")
        self.heading.setMinimumWidth(self.heading.sizeHint().width())
        self.under.set_text(self._words())
        chosen = str(self.space) if self.space else self.desk.selection.case
        page = self._pages.currentIndex()
        if page == 0:
            self.drawing.show_drawing(run_view(made, self.number, chosen))
        elif page == 1:
            self.plan.show_drawing(plan_view(made, self.number))
        else:
            self.wall_stick.show_drawing(story_view(wall_stick(made, self.number), made.units))
            if case:
                self.case_stick.show_drawing(story_view(case_stick(made, case), made.units))

    _shown_case: tuple[str | None, int] | None = None

    def _words(self) -> str:
        made, write = self.desk.document.made, self.desk.document.made.units.write
        words = []
        for line in self.lines():
            if line.total is None:
                continue
            what = "hanging" if line.upper else "on the floor"
            of = f" of {write(line.usable.length)}" if line.usable is not None else ""
            words.append(f"{what}: {write(line.total.length)}{of}")
        if not words:
            return "Nothing stands here yet. Add a case, or put one into this run on the tape."
        return f"{' · '.join(words).capitalize()} · sizes in {made.units.words}. Click a width to type it."

    def _change(self, words: str, after: Project) -> None:
        if after != self.desk.document.project:
            self.desk.change(words, after)

    def move_along(self, by: int) -> None:
        """Move what is selected one place to the left or right."""
        here = self.at_hand()
        if here is None:
            return
        line, at = here
        if not 0 <= at + by < len(line.places):
            return
        after = run_edits.moved(self.desk.document.project, line, at, by)
        self._change(f"Move {line.places[at].name} to the {'left' if by < 0 else 'right'}", after)
        now = self.desk.document.made.line(line.wall, line.upper).places[at + by]
        if now.space and self.desk.document.project == after:
            self.desk.selection.select(number=f"space/{now.space}.width")

    def add(self, kind: SpaceKind) -> None:
        """Put a space before what is selected, or at the end of the run on the floor."""
        here, line, before = self.at_hand(), self._line(), ""
        # A filler asked for at the last case goes between it and the wall.
        if here is not None and not (kind is SpaceKind.FILLER and here[1] == len(line.places) - 1):
            before = next((p.letter for p in line.places[here[1] :] if p.letter), "")
        after = run_edits.with_space(self.desk.document.project, kind, line, before)
        self._change(f"Add {'an' if kind.words[0] in 'aeiou' else 'a'} {kind.words}", after)
        self.desk.selection.select(number=f"space/{len(after.spaces)}.width")

    def drag(self, upper: bool, at: int, x: float) -> None:
        """Put the boundary behind a member of a run elsewhere, to the shop's precision."""
        line, step = self.lines()[upper], self.desk.document.project.units.step.ticks
        place = Length(round(x * TICKS_PER_MM / step) * step)
        try:
            after = run_widths.with_boundary(self.desk.document.project, line, at, place)
        except ValueError as fault:
            self.desk.document.refused.emit(f"{str(fault)[:1].upper()}{str(fault)[1:]}.")
            return
        names = f"{line.places[at].name} and {line.places[at + 1].name}"
        self._change(f"Between {names}", after)

    def add_strip(self, name: str) -> None:
        """Put a strip along the run of what is selected."""
        line = self._line()
        self._change(f"Add a {name}", strip_edits.with_strip(self.desk.document.project, line, name))
        self.desk.selection.select(number="")

    def share_out(self) -> None:
        """Let all cases of the run share its width equally."""
        line = self._line()
        self._change("Share the width out", run_widths.share_out(self.desk.document.project, line))

    def fill_modules(self) -> None:
        """Offer the modules widths come in where the units are at home."""
        self._modules.clear()
        project = self.desk.document.project
        for module in run_widths.modules(project.units.system):
            action = self._modules.addAction(f"{project.units.write(module)} {project.units.words}")
            assert action is not None
            action.triggered.connect(lambda _, module=module: self.in_modules(module))

    def in_modules(self, module: Length) -> None:
        """Make what follows the run as many modules wide as it can be; a filler takes what is left."""
        line = self._line()
        project = self.desk.document.project
        self._change(
            f"Widths in modules of {project.units.write(module)}", run_widths.in_modules(project, line, module)
        )

    def along(self, words: str, change: Callable[[Project, Line], Project]) -> None:
        """Do something along the whole run of what is selected."""
        self._change(f"{words}, along the run", change(self.desk.document.project, self._line()))

    def mirror(self) -> None:
        """Put the run the other way round."""
        line = self._line()
        self._change("Mirror the run", run_edits.mirrored(self.desk.document.project, line))

    def tape(self, column: QVBoxLayout) -> None:
        """Show the case in its run, and how the run adds up."""
        if self.space:
            add_space(self.desk, column, self.space)
        elif self.desk.known_case(self.desk.selection.case):
            add_case_in_run(self.desk, column, self.desk.selection.case)
        for line in self.lines():
            if line.places:
                column.addSpacing(8)
                column.addWidget(Words("What hangs" if line.upper else "On the floor", 16, True))
                add_line(self.desk, column, line)
                add_strips(self.desk, column, line)

    def tape_for(self, column: QVBoxLayout) -> bool:
        """Show a space in the place of its bare number."""
        if not self.space or not self.desk.selection.number.endswith(".width"):
            return False
        self.tape(column)
        return True
