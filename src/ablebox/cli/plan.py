# SPDX-License-Identifier: GPL-3.0-or-later
"""``ablebox plan``: the cut plan of a project."""

from __future__ import annotations

import argparse

from ..core.paper.data.plan_json import project_plan_tree
from ..core.paper.exports.sheet_files import sheet_dxf, sheet_files, sheet_svg
from ..core.shop.plans import ROUNDS, plan_all
from .opened import open_project
from .output import write, write_into, write_json

NAME = "plan"


def add_to(commands: argparse._SubParsersAction[argparse.ArgumentParser]) -> None:
    """Add the command to the command line."""
    parser = commands.add_parser(NAME, help="plan the sheets of a project")
    parser.add_argument("file", metavar="FILE")
    parser.add_argument("--json", metavar="OUT", help="write JSON to OUT, - for standard output")
    parser.add_argument("--dxf", metavar="DIR", help="write each sheet as DXF into a folder")
    parser.add_argument("--svg", metavar="DIR", help="write each sheet as SVG into a folder")


def run(arguments: argparse.Namespace) -> int:
    """Run the command."""
    made = open_project(arguments.file)
    plans = plan_all(made, ROUNDS)
    for folder, suffix, make in ((arguments.dxf, "dxf", sheet_dxf), (arguments.svg, "svg", sheet_svg)):
        if folder:
            write_into(folder, sheet_files(made, plans, suffix, make))
    if arguments.json:
        write_json(arguments.json, project_plan_tree(made, plans))
    if arguments.json or arguments.dxf or arguments.svg:
        return 0
    lines = []
    for code, plan in plans.items():
        goods = made.project.rack.sheet_goods(code)
        how = "no plan needs fewer" if plan.proven else f"at least {plan.bound.sheets}"
        lines.append(f"{goods.name}: {len(plan.sheets)} sheets, {how}")
        for number, sheet in zip(plan.numbers, plan.sheets, strict=True):
            codes = ", ".join(spot.code for spot in sheet.spots)
            lines.append(f"  {number}  {sheet.supply.code}  {sheet.used:.0%} used  {codes}")
    write("-", ("\n".join(lines) + "\n").encode("utf-8"))
    return 0
