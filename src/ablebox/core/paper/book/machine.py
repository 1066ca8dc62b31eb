# SPDX-License-Identifier: GPL-3.0-or-later
"""What a shop book says of machining: settings and blocks, then every part that is machined, equal and mirrored ones drawn once."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import replace

from ...assembly.part import Hand
from ...drawing.part_view import part_view
from ...drawing.shapes import Dimension
from ...lengths import Length
from ...parts.words import told_once, usual_screw_hole, usual_words
from ..lists.cautions import Met
from .chapter import Chapter
from .drawn_parts import Drawn, drawn
from .families import Told, families
from .flow import Flow
from .packing import Thing, packed
from .pages import Pages
from .settings_page import BEHIND, settings_pages
from .typesetting import PLAIN, TYPE

#: The height of a drawing at most where much and where little is machined, its dimensions not counted, in points: the largest that
#: takes no more pages than the smallest.
_TALL = ((76.0, 36.0), (70.0, 34.0), (66.0, 32.0))
#: From row to row of dimensions, and what is left beyond the outermost, in points.
_ROWS, _BEYOND = 14.0, 9.0
#: How much farther rows stand at the ends of a part.
_ASIDE = 1.4
#: From line to line, as a share of the type, the closer one where that spares a page: short lines under a drawing stand close.
_LEADINGS = (1.15, 1.12)
#: So few lines are little.
_FEW = 2


def machine_pages(book: Pages) -> None:
    """Write settings and blocks, then the drawings."""
    rows, before = families(written(book)), book.mark()

    def tried(leading: float, tall: tuple[float, float], fewer: int = 0, shown: bool = True) -> int:
        """Write it, on fewer pages than so many if that is asked; return how many pages there are, 0 for too many."""
        book.back_to(before)
        with book.set_as(leading, PLAIN):
            done = _drawings(book, settings_pages(book), rows, tall, fewer, shown)
        return len(book.pages) if done else 0

    counts = [tried(_LEADINGS[0], tall, shown=False) for tall in _TALL]
    # As they come, unless other ones beside each other spare a page.
    for leading in _LEADINGS:
        if any(tried(leading, tall, min(counts)) for tall in _TALL):
            return
    tried(_LEADINGS[0], _TALL[counts.index(min(counts))])


def written(book: Pages) -> list[Told]:
    """Return what is written of every machined part, before those alike but for their sizes stand together."""
    usual = usual_screw_hole(part.machining for part in book.made.parts)
    return [_told(book, row, usual) for row in drawn(book)]


def _drawings(
    book: Pages, flow: Flow | None, rows: Sequence[Told], tall: tuple[float, float], fewer: int, shown: bool
) -> bool:
    """Write the drawings, below the settings where there is room; return whether it was done.

    Args:
        book: the pages.
        flow: where it goes on; ``None`` for a page of its own.
        rows: what is drawn.
        tall: how high drawings are at most.
        fewer: how many pages the book must have less than; 0 for any.
        shown: whether they are drawn; without, their room is left, to count the pages.
    """
    usual = usual_screw_hole(part.machining for part in book.made.parts)
    if not rows:
        if flow is not None:
            flow.end()
        return not fewer
    under = (
        "The machined face is up. Thick red edges are banded. Places count from the named edges of the finished part."
    )
    if usual is not None:
        under += f" {usual_words(usual, book.made.units)}"

    def begin(under: str = "") -> None:
        book.start(Chapter.MACHINE, "Machining", "", under)

    if flow is None:
        # Said once.
        begin(under)
        flow = book.flow(book.columns, begin)
        _cautions(book, flow)
    else:
        flow.again = begin
        book.y += 4
        _cautions(book, flow)
        flow.need(24 + book.high(under, flow.wide) + 120)
        book.heading(flow.x, "Machining", 15)
        book.words(flow.x, under, flow.wide)
        book.y += 8
    if fewer:
        return _packed(book, flow, rows, tall, fewer - len(book.pages))
    waiting = [(told, _high(book, flow.wide, told, tall)) for told in rows]
    while waiting:
        # What still fits into a column goes there: pages are filled, parts stay nearly in their order.
        at = _next_in(book, flow, [high for _, high in waiting])
        if (
            at
            and flow.at < flow.columns - 1
            and book.y + _high(book, flow.wide, waiting[0][0], tall, broken=True) <= flow.low
        ):
            # Its lines go on in the column beside.
            at = 0
        told, high = waiting.pop(at)
        _block(book, flow, told, high, tall, shown)
    flow.end()
    return True


def _packed(book: Pages, flow: Flow, rows: Sequence[Told], tall: tuple[float, float], most: int) -> bool:
    """Write the drawings on no more pages than may be, the one at hand among them; return whether that is possible."""
    if most < 1:
        return False
    things = [
        Thing(
            _high(book, flow.wide, told, tall), _high(book, flow.wide, told, tall, broken=True),
            max((book.high(text, flow.wide - BEHIND) for text in (*told.lines, *told.values)), default=0.0),
        )
        for told in rows
    ]  # fmt: skip
    before, beside = book.mark(), [flow.low - flow.top] * (flow.columns - flow.at - 1)
    flow.again()
    page = [book.bottom - book.y] * flow.columns
    book.back_to(before)
    found = packed(things, [flow.low - book.y, *beside], page, most)
    for i, mine in enumerate(found or ()):
        if i:
            flow.turn()
        for n in mine:
            _block(book, flow, rows[n], things[n].high, tall)
    flow.end()
    return found is not None and len(book.pages) < before[0] + most


def _cautions(book: Pages, flow: Flow) -> None:
    """Write what is heeded at the saw and the router."""
    for each in book.cautions(Met.CUTTING):
        flow.need(book.high_led(f"{each.name}.", each.text, flow.wide) + 5)
        book.led(flow.x, f"{each.name}.", each.text, flow.wide)
        book.y += 5


def _next_in(book: Pages, flow: Flow, heights: Sequence[float]) -> int:
    """Return which of what waits goes into a column: the first if there is room for it, else what fills it best."""
    room = flow.low - book.y
    if heights[0] <= room:
        return 0
    return max((i for i, high in enumerate(heights) if high <= room), key=lambda i: (heights[i], -i), default=0)


def _told(book: Pages, row: Drawn, usual: Length | None) -> Told:
    """Return what is written of parts that one drawing tells."""
    part, units = row.parts[0], book.made.units
    view = replace(part_view(part, units), rows=_ROWS, beyond=_BEYOND)
    # Their strokes keep clear of what names the ends of a narrow part.
    view.items[:] = [
        replace(item, level=item.level * _ASIDE) if isinstance(item, Dimension) and not item.across else item for item in view.items
    ]  # fmt: skip
    size = f"{book.write(part.length.length)} × {book.write(part.width.length)}"
    names = ", ".join(dict.fromkeys(each.name for each in row.parts))
    said = f"{names}, {part.bench_face.words} face up"
    if row.lengths:
        # Its length stands in the list.
        view.items[:] = [
            replace(item, text="length") if isinstance(item, Dimension) and item.key == part.length.key else item for item in view.items
        ]  # fmt: skip
        by_length: dict[str, list[str]] = {}
        for each in (*row.parts, *row.mirrored):
            by_length.setdefault(book.write(each.length.length), []).append(each.code)
        told = "; ".join(f"{', '.join(codes)} {length}" for length, codes in by_length.items())
        size = f"{book.write(part.width.length)} wide, long: {told}"
    hand = f", {part.hand.value.upper()} HAND: mark face, front edge and up" if part.hand is not Hand.NONE else ""
    # Shaped parts, and those that stand with others already, are drawn for themselves.
    alone = bool(row.mirrored or row.lengths or part.outline)
    like = (names, said, hand, part.goods.code, part.grain, tuple(sorted(band.edge.words for band in part.bands)))
    lines = tuple(told_once(part.machining, units, usual))
    return Told(row.heading, said, size, hand, view, lines, None if alone else like, (part.length.key, part.width.key))


def _picture(told: Told, wide: float, tall: tuple[float, float]) -> tuple[float, float]:
    """Return points in a millimetre, and how high the drawing comes out with what stands around it."""
    x0, y0, x1, y1 = told.view.bounds()
    left, low, right, top = told.view.margins()
    few = len(told.lines) <= _FEW
    scale = min((wide - left - right) / max(x1 - x0, 1), tall[few] / max(y1 - y0, 1))
    return scale, (y1 - y0) * scale + top + low


def _high(book: Pages, wide: float, told: Told, tall: tuple[float, float], broken: bool = False) -> float:
    """Return how high a part comes out; with its first line of work only, where the others go on elsewhere."""
    high = book.high_led(f"{told.heading}:", told.words, wide) + _picture(told, wide, tall)[1] + 8
    below = (*told.lines, *told.values)
    return high + sum(book.high(text, wide - BEHIND) + 1 for text in (below[:1] if broken else below)) + 12


def _block(book: Pages, flow: Flow, told: Told, high: float, tall: tuple[float, float], shown: bool = True) -> None:
    flow.need(min(high, _high(book, flow.wide, told, tall, broken=True)) if flow.at < flow.columns - 1 else high)
    scale, picture = _picture(told, flow.wide, tall)
    book.led(flow.x, f"{told.heading}:", told.words, flow.wide)
    at = book.y - 4
    around = (flow.x - 2, at - 4, flow.x + flow.wide + 2, at + picture + 4)
    if shown:
        book.canvas.draw(told.view, (flow.x, at, flow.x + flow.wide, at + picture), scale, around)
    book.y = at + picture + 12
    for text in (*told.lines, *told.values):
        flow.need(book.high(text, flow.wide - BEHIND))
        book.tick(flow.x, book.y, side=9.5)
        book.words(flow.x + BEHIND, text, flow.wide - BEHIND, TYPE)
        book.y += 1
    book.canvas.polyline([(flow.x, book.y - 2), (flow.x + flow.wide, book.y - 2)], "line", 0.8, False)
    book.y += 10
