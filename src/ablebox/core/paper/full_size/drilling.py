# SPDX-License-Identifier: GPL-3.0-or-later
"""Full-size drilling templates: cups along a door's edge, and the holes of a pull, each with a line to check."""

from __future__ import annotations

from ...lengths import Length
from ...parts.words import drill
from ...shop.made import Made
from ..canvas.check_line import POINTS, check_line
from ..canvas.paper_size import Paper, usual_paper
from ..canvas.pdf_canvas import PdfCanvas

_EDGE = 40.0


def drilling(made: Made, on: Paper | None = None) -> bytes:
    """Return the drilling templates of a project as PDF: one page for each hinge setting, one for pulls.

    Args:
        made: what was made.
        on: the size of paper; the one usual where the units are if not given.
    """
    page = _Page(made, (on or usual_paper("", made.units.system)).size)
    hinges = []
    for case in made.project.cases:
        for _, fronts in case.faces:
            if fronts.hinge not in hinges:
                hinges.append(fronts.hinge)
                page.cup(fronts.hinge.cup, fronts.hinge.edge)
    page.pulls()
    return page.canvas.finish()


class _Page:
    def __init__(self, made: Made, size: tuple[float, float]) -> None:
        self.made, self.size = made, size
        self.canvas = PdfCanvas(size, f"{made.project.name}: drilling templates")
        self.started = False

    def _start(self, title: str) -> None:
        if self.started:
            self.canvas.next_page()
        self.started = True
        self.canvas.text(_EDGE, _EDGE, title, 15, "start", "ink", True)
        check_line(self.canvas, self.made.units.system, _EDGE, _EDGE + 24)

    def cup(self, cup: Length, edge: Length) -> None:
        """A cup at its distance from the door's edge, its centre marked, and lines for the plate's screws."""
        # Hinges are made in millimetres everywhere: no fraction says what a cup is.
        size, off = (drill(each, self.made.units) for each in (cup, edge))
        self._start(f"Hinge cup {size}, {off} from the edge")
        x, y = _EDGE + 60, _EDGE + 260
        radius = cup.mm / 2 * POINTS
        centre = x + (edge.mm + cup.mm / 2) * POINTS
        self.canvas.polyline([(x, y - 170), (x, y + 170)], "ink", 1.6, False)
        self.canvas.text(x - 8, y - 176, "edge of the door: fold here", 10, "start", "ink", False)
        self.canvas.circle(centre, y, radius, "", "ink", 1.0)
        self._cross(centre, y, radius + 8)
        # The two screws of a cup stand 9.5 mm further in, 45 mm apart (common practice).
        for z in (-22.5, 22.5):
            self._cross(centre + 9.5 * POINTS, y + z * POINTS, 5)
        self.canvas.text(centre + radius + 14, y, "centre on the line you marked", 10, "start", "ink", False)

    def pulls(self) -> None:
        """Pairs of holes for pulls, one below the other."""
        self._start("Pulls, centre to centre")
        y = _EDGE + 100
        sold = sorted({item.length for item in self.made.project.rack.hardware_of("pull", self.made.units.system)})
        for apart in sold:
            if y > self.size[1] - _EDGE - 20:
                self._start("Pulls, centre to centre")
                y = _EDGE + 100
            middle, half = self.size[0] / 2, apart.mm / 2 * POINTS
            self.canvas.polyline([(middle - half - 30, y), (middle + half + 30, y)], "quiet", 0.6, True)
            for x in (middle - half, middle + half):
                self.canvas.circle(x, y, 2.5 * POINTS, "", "ink", 0.8)
                self._cross(x, y, 10)
            self._cross(middle, y, 14)
            self.canvas.text(_EDGE, y - 26, f"{self.made.units.write(apart)} apart", 12, "start", "ink", True)
            y += 84

    def _cross(self, x: float, y: float, reach: float) -> None:
        self.canvas.polyline([(x - reach, y), (x + reach, y)], "ink", 0.5, False)
        self.canvas.polyline([(x, y - reach), (x, y + reach)], "ink", 0.5, False)
