# SPDX-License-Identifier: GPL-3.0-or-later
"""The job for a phone or tablet without the program: one HTML file with steps, lists and sheets, its ticks kept by the browser.

Nothing is fetched from anywhere. Sheets are the very drawings of the shop book.
"""

from __future__ import annotations

import hashlib
from collections.abc import Iterator, Mapping
from html import escape
from importlib.resources import files
from string import Template

from ...bench.bench import NAMES, JobStep, bench_of
from ...bench.gates import lines
from ...bench.step import Step
from ...cuts.plan import Plan
from ...drawing.bench_words import BenchWords
from ...drawing.gate_words import gate_line, gate_title
from ...drawing.way_words import sentence
from ...parts.words import edges
from ...project.tree import Project
from ...shop.made import Made
from ..book.pages import Pages
from ..book.sheet_page import sheet_pages
from ..canvas.paper_size import Paper, usual_paper
from ..canvas.svg_canvas import SvgCanvas
from ..lists.buy_list import buy_list


class _Page(Template):
    """The page that ships with the program, its places marked by an at sign."""

    delimiter = "@"
    idpattern = "(?:name|job|told|nav|body)\\b"


def html_of_project(project: Project, plans: Mapping[str, Plan], date: str = "") -> bytes:
    """Return the job as one page; see ``html``: all of it can be sent to another process."""
    return html(Made(project), plans, date)


def html(made: Made, plans: Mapping[str, Plan], date: str = "", on: Paper | None = None) -> bytes:
    """Return the job as one page.

    Args:
        made: what was made.
        plans: the cut plan of each kind of sheet, by its code.
        date: as it stands in the heading.
        on: the size of paper its sheets are drawn for; the usual one if not given.
    """
    name = made.project.name
    job = hashlib.sha256(f"{name}|{made.project.place}".encode()).hexdigest()[:12]
    parts = [
        ("cut", "Cut list", list(_cut_list(made))), ("sheets", "Sheets", list(_sheets(made, plans, on or usual_paper("", made.units.system)))),
        ("bench", "Bench and room", list(_steps(made))), ("buy", "To buy", list(_buy(made, plans))),
    ]  # fmt: skip
    nav = " ".join(f'<a href="#{key}">{escape(words)}</a>' for key, words, _ in parts)
    told = " · ".join(each for each in (made.project.place, date, f"sizes in {made.units.words}") if each)
    body = "\n".join(
        line for key, words, lines_of in parts for line in (f'<h2 id="{key}">{escape(words)}</h2>', *lines_of)
    )
    page = _Page((files("ablebox") / "assets" / "web" / "page.html").read_text(encoding="utf-8"))
    return page.safe_substitute(name=escape(name), job=job, told=escape(told), nav=nav, body=body).encode("utf-8")


def _tick(key: str, body: str, done: bool = False) -> str:
    return f'<label><input type="checkbox" id="{escape(key, quote=True)}"{" checked" if done else ""}><span>{body}</span></label>'


def _cut_list(made: Made) -> Iterator[str]:
    write = made.units.write
    for goods in made.stock:
        mine = [part for part in made.parts if part.goods.code == goods.code]
        if not mine:
            continue
        yield f"<h3>{escape(goods.name)}, {escape(write(goods.thickness))} thick</h3>"
        for part in sorted(
            mine, key=lambda each: (-each.cut_width.length.ticks, -each.cut_length.length.ticks, each.code)
        ):
            size = f"{write(part.cut_length.length)} × {write(part.cut_width.length)}"
            told = f"{part.count} × <span class=size>{escape(size)}</span> <b>{part.code}</b> {escape(part.name)}"
            if part.bands:
                finished = f"{write(part.length.length)} × {write(part.width.length)}"
                told += escape(f"; {f'finished {finished}, ' if finished != size else ''}banded {edges(part)}")
            yield _tick(f"cut-{part.code}", told)


def _sheets(made: Made, plans: Mapping[str, Plan], on: Paper) -> Iterator[str]:
    book = Pages(made, plans, on)
    sheet_pages(book, plans)
    for number, page in enumerate(book.pages, start=1):
        canvas = SvgCanvas(page.size)
        page.play(canvas)
        yield f"<details><summary>{escape(page.title)}</summary>{canvas.inline(page.title, f's{number}-')}{_tick(f'sheet-{number}', 'all of it is cut')}</details>"


def _steps(made: Made) -> Iterator[str]:
    bench = bench_of(made)
    words = BenchWords(bench)
    letters = ""
    for job in bench.steps:
        here = ", ".join(job.letters)
        if here != letters:
            letters = here
            first = job.letters[0]
            title = (
                f"{first} {made.project.case(first).name}"
                if bench.is_case(first) and len(job.letters) == 1
                else NAMES.get(first, here)
            )
            yield f"<h3>{escape(title if len(job.letters) == 1 else here)}</h3>"
        for letter, step in job.rows:
            yield from _gate(made, words, letter, step, job)
        said = words.of(job)
        told = " ".join(sentence(text) for text in said.do)
        wait = f" <b>{escape(said.wait)}</b>" if said.wait else ""
        yield _tick(
            f"step-{job.letters[0]}-{job.step.key}",
            f"<b>{job.n} {escape(said.title)}.</b> {escape(told)}{wait}",
            bench.is_done(job),
        )


def _gate(made: Made, words: BenchWords, letter: str, step: Step, job: JobStep) -> Iterator[str]:
    bench = bench_of(made)
    rows = [gate_line(words.fetched, letter, step, row) for row in lines(bench, letter, step)]
    if not rows:
        return
    ticks = "".join(_tick(f"gate-{letter}-{step.key}-{i}", escape(row)) for i, row in enumerate(rows))
    yield f"<div class=gate><b>{escape(gate_title(step.gate))}</b>{ticks}</div>"


def _buy(made: Made, plans: Mapping[str, Plan]) -> Iterator[str]:
    for i, row in enumerate(buy_list(made, plans)):
        yield _tick(
            f"buy-{i}",
            f"<b>{escape(row.amount)}</b> {escape(row.name)}" + (f" ({escape(row.sold)})" if row.sold else ""),
        )
