# SPDX-License-Identifier: GPL-3.0-or-later
"""What a shop book says of the bench: hardware, machining, settings, cautions."""

from __future__ import annotations

from ..drawing.part_view import part_view
from ..drawing.replay import fitted, replay
from ..jigs.blocks import Block, blocks, sizes
from ..jigs.settings import settings
from ..parts.listing import Part
from ..parts.words import drill, lines
from .buying import glue, hardware, packets, reasons
from .cautions import CAUTIONS
from .pages import EDGE, Pages


def _hand(part: Part) -> str:
    """Say which hand a part is, where it has a mirror image."""
    return f" · {part.hand.value.upper()} HAND: mark face, front edge and up" if part.hand.value else ""


def hardware_page(book: Pages) -> None:
    """What is bought of hardware, each with the rule it was chosen by."""
    rows = hardware(book.made)
    if not rows:
        return
    title = "Hardware"
    book.start(title, "Each with the rule it was chosen by and the cases it is for.")
    whys = reasons(book.made)
    for name, pieces in rows:
        book.room_for(34, title)
        sold = packets(book.made, name, pieces)
        book.words(EDGE, f"{pieces} × {name}{f', {sold}' if sold else ''}", book.width - 2 * EDGE)
        if name in whys:
            book.words(EDGE + 18, whys[name], book.width - 2 * EDGE - 18, 9, "quiet")
        book.y += 3
    amount = glue(book.made)
    if amount:
        book.words(EDGE, f"{amount} of wood glue, waste included", book.width - 2 * EDGE)


def machining_pages(book: Pages) -> None:
    """Draw every part that is machined, its machined face up, with its lines of work."""
    machined = [part for part in book.made.parts if part.machining]
    title = "Machining"
    if not machined:
        return
    under = "The machined face is up. Red edges are banded. Positions are from the named edges of the finished part."
    book.start(title, under)
    block = (book.height - book.y - EDGE) / 2
    for part in machined:
        if book.y + block > book.height - EDGE + 1:
            book.start(title, under)
        top = book.y
        book.canvas.text(EDGE, top, f"{part.code}  {part.name}", 12, "start", "ink", True)
        view = part_view(part, book.made.units)
        replay(view, book.canvas, fitted(view, EDGE, top + 8, book.width * 0.5, block - 18))
        book.y = top + 10
        x = EDGE + book.width * 0.5 + 24
        book.words(
            x,
            f"{part.bench_face.words} face up, {part.count} of it{_hand(part)}",
            book.width - EDGE - x,
            9,
            "quiet",
        )
        for line in lines(part.machining, book.made.units):
            book.y += 3
            book.words(x, line, book.width - EDGE - x, 9.5)
        book.y = top + block


def settings_page(book: Pages) -> None:
    """Fence and jig settings, and the blocks slides are set with."""
    rows = settings([case for case, _ in book.made.built], book.made.assemblies)
    if not rows:
        return
    title = "Settings and blocks"
    book.start(title, "Set each once, for all the cases named; blocks are cut from scrap and kept for the next job.")
    for row in rows:
        book.room_for(60, title)
        book.heading(
            EDGE,
            f"{row.what[:1].upper()}{row.what[1:]}  ·  case{'s' if len(row.cases) > 1 else ''} {', '.join(row.cases)}",
        )
        sizes = " · ".join(
            f"{size.words} {drill(size.length, book.made.units) if size.bit else book.write(size.length)}"
            for size in row.sizes
        )
        book.words(EDGE, sizes, book.width - 2 * EDGE)
        book.y += 8
    _blocks(book, title)


def _blocks(book: Pages, title: str) -> None:
    """The blocks to cut, each with what it sets."""
    rows = blocks(book.made.project, book.made.assemblies)
    if not rows:
        return
    book.room_for(80, title)
    book.heading(EDGE, "Blocks, cut from offcuts; write the size on each")
    for block in rows:
        book.room_for(30, title)
        kept = "  ·  kept with the shop" if block.kept else "  ·  cut with the parts" if block.among_parts else ""
        book.words(EDGE, f"{block.code}  ·  {_block(book, block)}{kept}", book.width - 2 * EDGE)
        book.words(EDGE + 18, "; ".join(block.uses), book.width - 2 * EDGE - 18, 9, "quiet")
        book.y += 2


def _block(book: Pages, block: Block) -> str:
    """Say what to cut: a block to its length, or a strip planed to its thickness where that is less than a saw cuts."""
    if block.is_shim:
        return f"shim, planed {book.write(block.sets)} thick"
    return " × ".join(book.write(each) for each in sizes(book.made.project, block))


def cautions_page(book: Pages) -> None:
    """Tell the usual cautions of the trade."""
    book.start("Cautions", "Local codes and licensed trades have the last word.")
    for name, text in CAUTIONS:
        book.heading(EDGE, name)
        book.words(EDGE, text, book.width - 2 * EDGE - 120)
        book.y += 8
