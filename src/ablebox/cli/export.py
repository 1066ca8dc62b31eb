# SPDX-License-Identifier: GPL-3.0-or-later
"""``ablebox export``: the cut list as a spreadsheet, parts as DXF, the job as a 3D file, pages for a phone or tablet."""

from __future__ import annotations

import argparse

from ..core.paper.book.shop_book import paper_of
from ..core.paper.canvas.paper_size import paper
from ..core.paper.exports.html_out import html
from ..core.paper.exports.model_gltf import gltf
from ..core.paper.exports.part_dxf import part_files
from ..core.paper.exports.tables_out import DECIMALS, SEPARATORS, UNITS, TableForm, table_csv, table_ods, table_xlsx
from ..core.shop.plans import ROUNDS, plan_all
from .book import add_paper
from .locale import locale
from .opened import open_project
from .output import write, write_into

NAME = "export"


def add_to(commands: argparse._SubParsersAction[argparse.ArgumentParser]) -> None:
    """Add the command to the command line."""
    parser = commands.add_parser(NAME, help="write spreadsheets, DXF of parts, a 3D file, pages for a phone")
    parser.add_argument("file", metavar="FILE")
    out = parser.add_mutually_exclusive_group(required=True)
    out.add_argument("--csv", metavar="OUT", help="the cut list as CSV, numbers as numbers")
    out.add_argument("--xlsx", metavar="OUT", help="the cut list as an Office Open XML workbook")
    out.add_argument("--ods", metavar="OUT", help="the cut list as an OpenDocument spreadsheet")
    out.add_argument("--dxf-parts", metavar="OUT", help="every part as DXF into the folder OUT, layers by operation")
    out.add_argument("--gltf", metavar="OUT", help="the whole job as one 3D file")
    out.add_argument("--html", metavar="OUT", help="steps, lists and sheets as one page for a phone or tablet")
    parser.add_argument(
        "--unit", choices=UNITS, default="", help="of the numbers of a cut list; the project's own if not given"
    )
    parser.add_argument("--separator", choices=tuple(SEPARATORS), default="comma", help="between the columns of CSV")
    parser.add_argument("--decimal", choices=tuple(DECIMALS), default="point", help="decimal sign of CSV")
    add_paper(parser)


def run(arguments: argparse.Namespace) -> int:
    """Run the command."""
    made = open_project(arguments.file)
    if arguments.csv:
        form = TableForm(arguments.unit, SEPARATORS[arguments.separator], DECIMALS[arguments.decimal])
        write(arguments.csv, table_csv(made, form).encode("utf-8"))
    elif arguments.xlsx:
        write(arguments.xlsx, table_xlsx(made, arguments.unit))
    elif arguments.ods:
        write(arguments.ods, table_ods(made, arguments.unit))
    elif arguments.dxf_parts:
        write_into(arguments.dxf_parts, part_files(made))
    elif arguments.gltf:
        write(arguments.gltf, gltf(made))
    else:
        on = paper(arguments.paper) if arguments.paper else paper_of(made.project, locale())
        write(arguments.html, html(made, plan_all(made, ROUNDS), arguments.date, on))
    return 0
