# SPDX-License-Identifier: GPL-3.0-or-later
"""What is set once for all cases: fence and jigs for drilling, hanging slides and setting fronts, and the blocks that are cut for it."""

from __future__ import annotations

from collections.abc import Sequence
from itertools import groupby

from ...jigs.blocks import Block, blocks, sizes
from ...jigs.settings import Setting, SettingKind, Size, settings
from ...parts.words import drill
from .chapter import Chapter
from .flow import Flow
from .pages import Pages

#: How far words stand behind their box, in points.
BEHIND = 16.0


def settings_pages(book: Pages) -> Flow | None:
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
    room = flow.wide - BEHIND
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
        book.led(flow.x + BEHIND, f"{letters}:", text, room)
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
        flow.need(book.high(head, flow.wide - BEHIND, bold=True) + book.high(uses, flow.wide - BEHIND) + 3)
        book.tick(flow.x, book.y, side=9.5)
        book.words(flow.x + BEHIND, head, flow.wide - BEHIND, bold=True)
        book.words(flow.x + BEHIND, uses, flow.wide - BEHIND)
        book.y += 3


def _size(book: Pages, block: Block) -> str:
    """Say what to cut: a block to its length, or a strip planed to its thickness where that is less than a saw cuts."""
    if block.is_shim:
        return f"shim, planed {book.write(block.sets)} thick"
    return " × ".join(book.write(each) for each in sizes(book.made.project, block))
