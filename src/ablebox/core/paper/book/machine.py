# SPDX-License-Identifier: GPL-3.0-or-later
"""What a shop book says of machining: settings and blocks, then every part that is machined, equal and mirrored ones drawn once."""

from __future__ import annotations

import re
from collections.abc import Mapping, Sequence
from dataclasses import dataclass, replace
from itertools import groupby

from ...assembly.part import Face, Hand
from ...drawing.part_view import part_view
from ...drawing.shapes import Area, Circle, Dimension, Drawing, Path, Shape
from ...jigs.blocks import Block, blocks, sizes
from ...jigs.settings import Setting, SettingKind, Size, settings
from ...lengths import Length
from ...parts.listing import Part
from ...parts.words import drill, told_once, usual_screw_hole, usual_words
from ..lists.cautions import Met
from .chapter import Chapter
from .families import Told, families
from .flow import Flow
from .packing import Thing, packed
from .pages import Pages
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
#: How far words stand behind their box, in points.
_BEHIND = 16.0


@dataclass(slots=True)
class Drawn:
    """Parts that one drawing tells.

    Args:
        parts: as drawn.
        mirrored: the other way round.
    """

    parts: list[Part]
    mirrored: list[Part]

    @property
    def heading(self) -> str:
        """Which parts are as drawn and which mirrored."""
        as_drawn = ", ".join(_counted(part) for part in self.parts)
        if not self.mirrored:
            return as_drawn
        return f"{as_drawn} as drawn; {', '.join(_counted(part) for part in self.mirrored)} mirrored"

    @property
    def lengths(self) -> bool:
        """Whether its parts differ in their length."""
        return len({part.length.length for part in (*self.parts, *self.mirrored)}) > 1


def _counted(part: Part) -> str:
    return part.code + (f" ×{part.count}" if part.count > 1 else "")


def machine_pages(book: Pages) -> None:
    """Write settings and blocks, then the drawings."""
    rows, before = families(written(book)), book.mark()

    def tried(leading: float, tall: tuple[float, float], fewer: int = 0, shown: bool = True) -> int:
        """Write it, on fewer pages than so many if that is asked; return how many pages there are, 0 for too many."""
        book.back_to(before)
        with book.set_as(leading, PLAIN):
            done = _drawings(book, _settings(book), rows, tall, fewer, shown)
        return len(book.pages) if done else 0

    counts = [tried(_LEADINGS[0], tall, shown=False) for tall in _TALL]
    # As they come, unless other ones beside each other spare a page.
    for leading in _LEADINGS:
        if any(tried(leading, tall, min(counts)) for tall in _TALL):
            return
    tried(_LEADINGS[0], _TALL[counts.index(min(counts))])


def drawn(book: Pages) -> list[Drawn]:
    """Return the machined parts with those together that one drawing tells.

    Together stand those of the same form, those that mirror it, and those that differ in nothing but their length: what is told of
    them, edge by edge, is the same.
    """
    found: list[Drawn] = []
    by_key: dict[object, Drawn] = {}
    mirrored: dict[object, Drawn] = {}
    for part in book.made.parts:
        if not part.machining or not book.shows(part.case):
            continue
        view = part_view(part, book.made.units)
        told = (tuple(told_once(part.machining, book.made.units)), part.goods.code, part.grain, part.width.length)
        keys: list[object] = [("form", _form(view, 1, 1), told, part.hand)]
        if not part.outline:
            bands = tuple(sorted(band.edge.words for band in part.bands))
            keys.append(("told", told, part.bench_face, bands, part.hand))
        one = next((by_key[key] for key in keys if key in by_key), None)
        if one is not None:
            one.parts.append(part)
        elif (
            other := next((mirrored[key] for key in keys if key in mirrored), None)
            or _mirror_of(view, told, part.hand, by_key)
        ) is not None:
            other.mirrored.append(part)
            # What is like it is mirrored as well.
            mirrored.update(dict.fromkeys(keys, other))
        else:
            one = Drawn([part], [])
            found.append(one)
            by_key.update(dict.fromkeys(keys, one))
    return found


def _mirror_of(view: Drawing, told: tuple[object, ...], hand: Hand, known: Mapping[object, Drawn]) -> Drawn | None:
    """Return what has the form of a part turned over, and reads so with left and right changed; ``None`` if nothing does."""
    lines_of = told[0]
    assert isinstance(lines_of, tuple)
    turned = (tuple(_other_hand(text) for text in lines_of), *told[1:])
    other = {Hand.LEFT: Hand.RIGHT, Hand.RIGHT: Hand.LEFT}.get(hand, hand)
    for a, b in ((-1, 1), (1, -1)):
        found = known.get(("form", _form(view, a, b), turned, other))
        if found is not None:
            return found
    return None


def _other_hand(text: str) -> str:
    """Return a line of work as it reads for the mirrored part."""
    return _HAND.sub(lambda found: _OTHER[found[0]], text)


_OTHER = {Face.LEFT.words: Face.RIGHT.words, Face.RIGHT.words: Face.LEFT.words}
_HAND = re.compile("|".join(rf"\b{word}\b" for word in _OTHER))


def _form(view: Drawing, along: int, across: int) -> tuple[object, ...]:
    """Return the form of a part as its lines have it, to a hundredth of a millimetre, as it is or turned over."""
    x0, y0, x1, y1 = view.bounds()

    def at(x: float, y: float) -> tuple[float, float]:
        return (
            round(x - x0 if along > 0 else x1 - x, 2), round(y - y0 if across > 0 else y1 - y, 2),
        )  # fmt: skip

    found: list[object] = []
    for item in view.items:
        if isinstance(item, Area):
            ends = sorted((at(item.x, item.y), at(item.x + item.width, item.y + item.height)))
            xs, ys = sorted(end[0] for end in ends), sorted(end[1] for end in ends)
            found.append(("area", *xs, *ys, item.fill, item.line, item.pattern))
        elif isinstance(item, Circle):
            found.append(("circle", *at(item.x, item.y), round(item.radius, 2)))
        elif isinstance(item, Path):
            found.append(("path", tuple(sorted(at(*point) for point in item.points)), item.colour, item.weight))
        elif isinstance(item, Shape):
            found.append(("shape", tuple(sorted(at(*point) for point in item.points))))
    return tuple(sorted(found, key=repr))


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
            max((book.high(text, flow.wide - _BEHIND) for text in (*told.lines, *told.values)), default=0.0),
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
    return high + sum(book.high(text, wide - _BEHIND) + 1 for text in (below[:1] if broken else below)) + 12


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
        flow.need(book.high(text, flow.wide - _BEHIND))
        book.tick(flow.x, book.y, side=9.5)
        book.words(flow.x + _BEHIND, text, flow.wide - _BEHIND, TYPE)
        book.y += 1
    book.canvas.polyline([(flow.x, book.y - 2), (flow.x + flow.wide, book.y - 2)], "line", 0.8, False)
    book.y += 10


# Settings and blocks


def _settings(book: Pages) -> Flow | None:
    """Fence and jig settings, and the blocks slides are set with; return where it goes on, ``None`` if there are none."""
    rows = settings([case for case, _ in book.made.built], book.made.assemblies)
    made_blocks = blocks(book.made.project, book.made.assemblies)
    if not rows and not made_blocks:
        return None

    def begin() -> None:
        book.start(
            Chapter.MACHINE,
            "Settings and blocks",
            "",
            "Set each once, for all the cases named; write its size on each block.",
        )

    begin()
    flow = book.flow(book.columns, begin)
    for kind, group in groupby(rows, key=lambda row: row.kind):
        _setting(book, flow, kind, list(group))
    _blocks(book, flow, made_blocks)
    return flow


def _setting(book: Pages, flow: Flow, kind: SettingKind, rows: Sequence[Setting]) -> None:
    """Settings of one kind: what is the same for all of them is told once, above."""
    same = [size for size in rows[0].sizes if all(size in row.sizes for row in rows)] if len(rows) > 1 else []
    told = [(", ".join(row.cases), _sizes_told(book, [each for each in row.sizes if each not in same])) for row in rows]
    head, above = f"{kind.value[:1].upper()}{kind.value[1:]}", _sizes_told(book, same)
    room = flow.wide - _BEHIND
    flow.need(
        book.high(head, flow.wide, 12, True)
        + (book.high(above, flow.wide) if above else 0.0)
        + book.high_led(f"{told[0][0]}:", told[0][1], room)
    )
    book.words(flow.x, head, flow.wide, 12, bold=True)
    if above:
        book.words(flow.x, above, flow.wide)
    for letters, text in told:
        flow.need(book.high_led(f"{letters}:", text, room))
        book.tick(flow.x, book.y, side=9.5)
        book.led(flow.x + _BEHIND, f"{letters}:", text, room)
        book.y += 1
    book.y += 5


def _sizes_told(book: Pages, rows: Sequence[Size]) -> str:
    return " · ".join(
        f"{size.words} {drill(size.length, book.made.units) if size.bit else book.write(size.length)}" for size in rows
    )


def _blocks(book: Pages, flow: Flow, rows: Sequence[Block]) -> None:
    """The blocks to cut, each with what it sets."""
    if not rows:
        return
    flow.need(50)
    book.heading(flow.x, "Blocks, cut from offcuts")
    for block in rows:
        kept = ", kept with the shop" if block.kept else ", cut with the parts" if block.among_parts else ""
        head = f"{block.code}: {_size(book, block)}{kept}"
        uses = "; ".join(block.uses)
        flow.need(book.high(head, flow.wide - _BEHIND, bold=True) + book.high(uses, flow.wide - _BEHIND) + 3)
        book.tick(flow.x, book.y, side=9.5)
        book.words(flow.x + _BEHIND, head, flow.wide - _BEHIND, bold=True)
        book.words(flow.x + _BEHIND, uses, flow.wide - _BEHIND)
        book.y += 3


def _size(book: Pages, block: Block) -> str:
    """Say what to cut: a block to its length, or a strip planed to its thickness where that is less than a saw cuts."""
    if block.is_shim:
        return f"shim, planed {book.write(block.sets)} thick"
    return " × ".join(book.write(each) for each in sizes(book.made.project, block))
