# SPDX-License-Identifier: GPL-3.0-or-later
"""Pages as pictures, one file each."""

from __future__ import annotations

from collections.abc import Sequence

from .recorded import Page
from .svg_canvas import SvgCanvas


def as_svg(page: Page) -> bytes:
    """Return a page as SVG, as large as it is on paper."""
    canvas = SvgCanvas(page.size)
    page.play(canvas)
    return canvas.page(page.title)


def as_svg_files(pages: Sequence[Page]) -> dict[str, bytes]:
    """Return every page as SVG by its name, such as ``page-03-sheets.svg``."""
    digits = len(str(len(pages)))
    return {f"page-{i:0{digits}d}-{page.chapter}.svg": as_svg(page) for i, page in enumerate(pages, start=1)}
