# SPDX-License-Identifier: GPL-3.0-or-later
"""The last chapter: the usual cautions, how what was built is looked after, and the log."""

from __future__ import annotations

from ..lists.log_words import KINDS, entry_words
from .chapter import Chapter
from .flow import columns_filled
from .pages import EDGE, Pages
from .typesetting import PLAIN

#: How cabinets are looked after (common practice).
CARE: tuple[tuple[str, str], ...] = (
    ("First weeks", "Load nothing before glue and finish have cured. Keep doors and drawers shut while the finish is young; leave felt between what would stick."),
    ("Cleaning", "A damp cloth, then a dry one. No scouring, no water left standing on edges and at the sink; wipe spills from banded edges at once."),
    ("Doors and drawers", "Screws of hinges and slides work loose in the first year: turn them tight once. Doors that rub are set by the three screws of their hinges."),
    ("Wood moves", "Solid panels and tops grow and shrink across the grain with the seasons; their screws sit in slots for that. Do not fix what is meant to move."),
    ("Fastening", "Look at every anchor once a year, and after anything was hung, moved or hit. What stands high stays tied to the wall."),
)  # fmt: skip

#: From line to line, as a share of the type; what is left below a paragraph, in points.
_LEADING, _BELOW = 1.17, 6.0


def care_pages(book: Pages) -> None:
    """Write the cautions no page has told, care and the log."""
    left = book.cautions()
    title = "Cautions and care" if left else "Care"
    under = "Makers' books, local codes and licensed trades have the last word." if left else ""

    def begin() -> None:
        book.start(Chapter.CARE, title, "", under)

    rows = [(f"{name}.", text) for name, text in (*((each.name, each.text) for each in left), *CARE)]
    with book.set_as(_LEADING, PLAIN):
        wide = book.column
        heights = [book.high_led(lead, text, wide) + _BELOW for lead, text in rows]
        most = sum(heights)
        even = next(
            high for high in range(0, int(most) + 20, 4) if columns_filled(heights, high, book.columns) == len(rows)
        )
        if not book.go_on(Chapter.CARE, title, under, even - _BELOW):
            begin()
        flow = book.flow(book.columns, begin)
        flow.low = book.y + even
        for (lead, text), high in zip(rows, heights, strict=True):
            flow.need(high)
            book.led(flow.x, lead, text, flow.wide)
            book.y += _BELOW
        flow.end()
    _log(book)


def _log(book: Pages) -> None:
    """Write the log, day by day."""
    project = book.made.project
    if not project.log:
        return

    def begin() -> None:
        book.start(Chapter.CARE, "Log", "", "What was done, decided, learnt and is still open.")

    if book.y + 120 > book.bottom:
        begin()
    else:
        book.heading(EDGE, "Log")
    flow = book.flow(2, begin)
    day = None
    for entry in project.log:
        text = f"{entry.at:%H:%M}  {KINDS[entry.kind]}: {entry_words(entry)}"
        flow.need(book.high(text, flow.wide) + (22 if entry.at.date() != day else 0))
        if entry.at.date() != day:
            day = entry.at.date()
            book.heading(flow.x, f"{day:%A}, {day:%Y-%m-%d}", 12)
        book.words(flow.x, text, flow.wide)
    flow.end()
