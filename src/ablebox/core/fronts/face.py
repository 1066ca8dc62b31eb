# SPDX-License-Identifier: GPL-3.0-or-later
"""A face: divided into columns and rows to any depth, each cell closed by something.

Sizes are those of the fronts themselves, and with what is kept between them they add up to the
face exactly.
"""

from __future__ import annotations

from dataclasses import dataclass, field, replace

from ..assembly.part import BaySpace, FrontSpace, Placed
from ..assembly.solid import Box
from ..case.fields import check_names, one_of, size
from ..case.inside.layout import Layout
from ..case.sharing import shares
from ..case.shell import Work
from ..errors import arising_at
from ..fastening.occupied import Taken
from ..lengths import ZERO, Length, inches
from ..reckoning import NOTHING, Reckoned
from .area import Area
from .cell.appliance import ApplianceSpace
from .cell.context import GRAIN, FaceContext
from .cell.door import Door
from .cell.drawer import Drawer
from .cell.empty import OpenCell
from .cell.false_front import FalseFront
from .cell.flap import Flap
from .cell.pair import Pair
from .cell.pull_out_front import PullOutFront
from .drawer.box import DrawerBox
from .drawer.slides import SideMount, Slides
from .edges import Edges
from .fit.choice import Fit
from .fit.full_overlay import FullOverlay
from .hinges import CupHinge
from .making.choice import Making, OwnMaking
from .making.same import LikeDoors
from .making.slab import Slab
from .pulls import Pulls

Cell = Pair | Door | Drawer | PullOutFront | FalseFront | Flap | OpenCell | ApplianceSpace


def _check_parts(parts: tuple[int, ...], count: int) -> None:
    if parts and (len(parts) != count or not all(1 <= part <= 9 for part in parts)):
        raise ValueError("each front takes 1 to 9 parts of what is left")


@dataclass(frozen=True, slots=True)
class Stack:
    """Cells above each other, the uppermost first.

    Args:
        cells: in order.
        heights: of each front; ``None`` for an equal share of what is left.
        step: by how much each shared front is higher than the one above it.
        parts: how many parts of what is left each takes; empty for one each.
    """

    cells: tuple[FaceTree, ...]
    heights: tuple[Length | None, ...]
    step: Length = size("each higher than the one above by", ZERO, zero=True)
    parts: tuple[int, ...] = ()

    words = "above each other"

    def __post_init__(self) -> None:
        if not 2 <= len(self.cells) <= 16 or len(self.heights) != len(self.cells):
            raise ValueError("a stack has 2 to 16 cells, each with a height or none")
        _check_parts(self.parts, len(self.cells))


@dataclass(frozen=True, slots=True)
class Line:
    """Cells beside each other, left to right.

    Args:
        cells: in order.
        widths: of each front; ``None`` for an equal share of what is left.
        parts: how many parts of what is left each takes; empty for one each.
    """

    cells: tuple[FaceTree, ...]
    widths: tuple[Length | None, ...]
    parts: tuple[int, ...] = ()

    words = "beside each other"

    def __post_init__(self) -> None:
        if not 2 <= len(self.cells) <= 12 or len(self.widths) != len(self.cells):
            raise ValueError("a line has 2 to 12 cells, each with a width or none")
        _check_parts(self.parts, len(self.cells))


FaceTree = Pair | Door | Drawer | PullOutFront | FalseFront | Flap | OpenCell | ApplianceSpace | Stack | Line


@dataclass(frozen=True, slots=True)
class FaceFronts:
    """Choices of what closes a case.

    Args:
        fit: how fronts meet the face.
        making: how they are made.
        drawer_fronts: how drawer fronts and false fronts are made.
        face: how the face is divided, and what closes each cell.
        hinge: the hinges.
        box: drawer boxes.
        slides: drawer slides.
        pulls: pulls and knobs.
        grain: how the grain runs through the fronts that are slabs.
    """

    fit: Fit = field(default_factory=FullOverlay)
    making: Making = field(default_factory=Slab)
    drawer_fronts: OwnMaking = field(default_factory=LikeDoors)
    face: FaceTree = field(default_factory=Pair)
    hinge: CupHinge = field(default_factory=CupHinge)
    box: DrawerBox = field(default_factory=DrawerBox)
    slides: Slides = field(default_factory=SideMount)
    pulls: Pulls = field(default_factory=Pulls)
    grain: str = one_of("grain runs", "each", GRAIN)

    def __post_init__(self) -> None:
        check_names(self)

    @property
    def words(self) -> str:
        """The fronts in a few words."""
        what = "fronts" if isinstance(self.face, (Stack, Line)) else self.face.words
        return f"{what}, {self.fit.words}"

    def hinged_makings(self, place: str = "fronts") -> list[tuple[str, Making]]:
        """Return how hinged fronts are made, each way once, with its place in the design.

        Args:
            place: where these fronts stand in the design.
        """
        found = {f"{place}.making": self.making}
        used = set()

        def walk(tree: FaceTree, path: str) -> None:
            if isinstance(tree, (Stack, Line)):
                for i, cell in enumerate(tree.cells):
                    walk(cell, f"{path}.cells.{i}")
            elif isinstance(tree, (Door, Pair)):
                if isinstance(tree.making, LikeDoors):
                    used.add(f"{place}.making")
                else:
                    found[f"{path}.making"] = tree.making
                    used.add(f"{path}.making")

        walk(self.face, f"{place}.face")
        return [(path, making) for path, making in found.items() if path in used]

    def laid_out(self, edges: Edges, at: str = "fronts", side: str = "") -> LaidOutFace:
        """Return where each front lies.

        Args:
            edges: the members around the face.
            at: where the fronts stand in the design.
            side: the side of the case; empty for its front.

        Raises:
            SizeImpossible: if nothing is left for a front.
        """
        shell = edges.shell
        edges = replace(edges, fit_at=f"{at}.fit")
        x0, _, z0, _ = edges.outline
        margins = {side: self.fit.margin(edges, side) for side in ("left", "right", "bottom", "top")}
        wide = shell.book.named(
            edges.width - margins["left"] - margins["right"], "width of the fronts", "fronts/width", measurable=True
        )
        high = shell.book.named(
            edges.height - margins["bottom"] - margins["top"], "height of the fronts", "fronts/height", measurable=True
        )
        shell.need(wide.length, inches(2), "width of the fronts", "Make the case wider.")
        shell.need(high.length, inches(2), "height of the fronts", "Make the case higher.")
        whole = Area(f"{at}.face", "", x0 + margins["left"].length, z0 + margins["bottom"].length, wide, high,
                     tuple(self.fit.over(edges, side) for side in ("left", "right", "bottom", "top")), side=side)  # type: ignore[arg-type]  # fmt: skip
        work = Work(sums=[wide, high, *margins.values()])
        cells: list[tuple[Area, Cell]] = []
        behind = _divide(self.face, whole, edges, self.fit, cells, work)
        return LaidOutFace(self, edges, tuple(cells), behind, tuple(work.sums))


@dataclass(frozen=True, slots=True)
class LaidOutFace:
    """A face with the place of each front known, before what stands behind it is.

    Args:
        fronts: the choices.
        edges: the members around its openings.
        cells: each cell with its place.
        behind: how a frame is divided behind the fronts.
        sums: the sums that led there.
    """

    fronts: FaceFronts
    edges: Edges
    cells: tuple[tuple[Area, Cell], ...]
    behind: Layout
    sums: tuple[Reckoned, ...]

    def build(
        self,
        bays: tuple[BaySpace, ...],
        parts: tuple[Placed, ...],
        hung: bool,
        room: Length | None = None,
        taken: Taken | None = None,
    ) -> Work:
        """Return all fronts.

        Args:
            bays: the clear spaces behind the face.
            parts: the parts of the case so far.
            hung: whether the case hangs on the wall.
            room: depth behind the face; ``None`` for that to the back's face.
            taken: what is in their wood already.

        Raises:
            SizeImpossible: if one cannot be built.
        """
        of, shell = self.fronts, self.edges.shell
        back = room if room is not None else shell.front + self.edges.lines.clear_depth.length
        context = FaceContext(self.edges, of.fit, of.making, of.drawer_fronts, of.pulls, hung, of.hinge, of.box, of.slides,
                              bays, parts, back, of.grain, taken if taken is not None else Taken())  # fmt: skip
        work = Work(sums=list(self.sums))
        for place, cell in self.cells:
            face, area, sums = context.fitted(cell.fit, place)
            with arising_at(area.path):
                made = cell.build(face, area)
            made.bought = [replace(item, place=area.path) for item in made.bought]
            made.sums += sums
            work.add(made)
            edges = (area.x, area.x + area.width.length, area.z, area.z + area.height.length)
            roles = frozenset(part.role for part in made.parts)
            work.fronts.append(FrontSpace(area.path, area.tag, cell.words, edges, area.opening, area.width, area.height,
                                          cell.opens, roles, area.side or "front"))  # fmt: skip
        return work


def _divide(tree: FaceTree, area: Area, edges: Edges, fit: Fit, cells: list[tuple[Area, Cell]], work: Work) -> Layout:
    if isinstance(tree, Line):
        return _line(tree, area, edges, fit, cells, work)
    if isinstance(tree, Stack):
        return _stack(tree, area, edges, fit, cells, work)
    cells.append((area, tree))
    return Layout()


def _tag(area: Area, i: int) -> str:
    return f"{area.tag}.{i + 1}" if area.tag else str(i + 1)


def _line(line: Line, area: Area, edges: Edges, fit: Fit, cells: list[tuple[Area, Cell]], work: Work) -> Layout:
    between = fit.between(edges, True)
    widths = shares(
        edges.shell, area.width, between, line.widths, "front width", f"{area.path}.widths", parts=line.parts
    )
    over = fit.over_mid(edges, True)
    work.sums += [between, *widths]
    x, last = area.x, len(widths) - 1
    dividers, children = [], []
    for i, (cell, width) in enumerate(zip(line.cells, widths, strict=True)):
        reach = (area.over[0] if i == 0 else over, area.over[1] if i == last else over, area.over[2], area.over[3])
        outer = (area.outer[0] and i == 0, area.outer[1] and i == last, area.outer[2], area.outer[3])
        inner = replace(
            area, path=f"{area.path}.cells.{i}", tag=_tag(area, i), x=x, width=width, over=reach, outer=outer
        )
        children.append(_divide(cell, inner, edges, fit, cells, work))
        x = x + width.length
        if i < last:
            dividers.append(Box((x.ticks, 0, 0), ((x + between.length).ticks, 1, 1)))
            x = x + between.length
    return Layout("columns", tuple(dividers), tuple(children))


def _stack(stack: Stack, area: Area, edges: Edges, fit: Fit, cells: list[tuple[Area, Cell]], work: Work) -> Layout:
    shell = edges.shell
    between = fit.between(edges, False)
    step = shell.book.chosen(stack.step, "each higher by", f"{area.path}.step") if stack.step else NOTHING
    heights = shares(
        shell, area.height, between, stack.heights, "front height", f"{area.path}.heights", step, stack.parts
    )
    over = fit.over_mid(edges, False)
    work.sums += [between, *heights]
    z, last = area.z + area.height.length, len(heights) - 1
    mid = edges.mid(False)
    dividers, children = [], []
    for i, (cell, height) in enumerate(zip(stack.cells, heights, strict=True)):
        z = z - height.length
        reach = (area.over[0], area.over[1], area.over[2] if i == last else over, area.over[3] if i == 0 else over)
        outer = (area.outer[0], area.outer[1], area.outer[2] and i == last, area.outer[3] and i == 0)
        inner = replace(
            area, path=f"{area.path}.cells.{i}", tag=_tag(area, i), z=z, height=height, over=reach, outer=outer
        )
        children.append(_divide(cell, inner, edges, fit, cells, work))
        if i < last:
            # The frame's rail stands in the middle of what is kept between; its top is what the frame asks for.
            centre = z - between.length.share(2)[0]
            top = centre + (mid.length.share(2)[0] if mid is not None else ZERO)
            dividers.append(Box((0, 0, 0), (1, 1, top.ticks)))
            z = z - between.length
    return Layout("rows", tuple(reversed(dividers)), tuple(reversed(children)))
