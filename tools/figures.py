# SPDX-License-Identifier: GPL-3.0-or-later
"""Writes ``docs/figures.md``: every figure of the trade in the core, with its value and where it comes from.

A test holds the page to the code, so that no figure moves unseen: run this after one was changed on purpose.
"""

from __future__ import annotations

import ast
import csv
import re
import sys
from collections.abc import Iterator
from pathlib import Path

ROOT = Path(__file__).resolve().parent.parent
CORE, CATALOGUE = ROOT / "src" / "ablebox" / "core", ROOT / "src" / "ablebox" / "assets" / "catalogue"
PAGE = ROOT / "docs" / "figures.md"
#: What holds no figures of the trade: lines on paper, the search for plans, the file.
_OTHER = ("drawing", "paper", "cuts", "project", "lengths.py", "units.py", "typed.py")
_MARK = re.compile(
    r"common practice|of our own|[^.;:()\n]*\bfrom memory|(?:Wood )?Handbook[^.;)]*|any handbook of mechanics"
)
_SIZES = ("inches", "millimetres")


def figures() -> list[tuple[str, str, str, str]]:
    """Return where each figure stands, its name, its value as written, and its source; empty if it has none."""
    found = []
    for path in sorted(CORE.rglob("*.py")):
        inner = path.relative_to(CORE)
        if inner.parts[0] not in _OTHER:
            found += [(str(inner.with_suffix("")), *row) for row in _of_module(path)]
    return found


def _of_module(path: Path) -> Iterator[tuple[str, str, str]]:
    text = path.read_text(encoding="utf-8")
    tree, lines = ast.parse(text), text.splitlines()
    page = ast.get_docstring(tree) or ""
    for node in tree.body:
        if isinstance(node, ast.Assign | ast.AnnAssign) and node.value is not None and _has_figure(node.value):
            name = ast.unparse(node.targets[0] if isinstance(node, ast.Assign) else node.target)
            yield name, _value(node.value), _source(_comment(lines, node.lineno), page)
        elif isinstance(node, ast.ClassDef):
            own = ast.get_docstring(node) or ""
            for field in node.body:
                if isinstance(field, ast.AnnAssign) and field.value is not None and _has_size(field.value):
                    yield f"{node.name}.{ast.unparse(field.target)}", _value(field.value), _source(own, page)


def _has_size(value: ast.expr) -> bool:
    return any(
        isinstance(n, ast.Call) and isinstance(n.func, ast.Name) and n.func.id in _SIZES for n in ast.walk(value)
    )


def _has_figure(value: ast.expr) -> bool:
    return _has_size(value) or any(isinstance(n, ast.Constant) and isinstance(n.value, float) for n in ast.walk(value))


def _value(value: ast.expr) -> str:
    if isinstance(value, ast.Call) and isinstance(value.func, ast.Name) and value.func.id in ("size", "optional_size"):
        value = next(each for each in value.args if _has_size(each))
    return re.sub(r"\s+", " ", ast.unparse(value)).replace("|", "/")


def _comment(lines: list[str], number: int) -> str:
    """Return the comment above a line, over other figures that share it."""
    found, i = [], number - 2
    while i >= 0 and (lines[i].startswith("#") or re.match(r"_?[A-Z][A-Z_, ]* ?[:=]", lines[i])):
        found.append(lines[i].lstrip("#: "))
        i -= 1
    return " ".join(reversed(found))


def _source(*texts: str) -> str:
    for text in texts:
        marks = [found[0].strip(" ,") for found in _MARK.finditer(text.replace("\n", " "))]
        if marks:
            return "; ".join(dict.fromkeys(marks))
    return ""


def catalogue() -> Iterator[tuple[str, str, str]]:
    """Return every row of the catalogues: which one, the row, its source."""
    for path in sorted(CATALOGUE.glob("*.csv")):
        with path.open(encoding="utf-8", newline="") as stream:
            for row in csv.DictReader(stream):
                source = row.pop("source")
                yield path.stem, " · ".join(f"{name} {value}" for name, value in row.items() if value), source


def page() -> str:
    """Return the page."""
    head = (
        "# Figures of the trade\n\n"
        "Every figure the core reckons with, with where it stands, its value and its source: a published standard or handbook,\n"
        "common practice, or a limit of our own. Written by `tools/figures.py`; a test holds it to the code.\n\n"
    )
    code = "".join(f"| `{where}` | `{name}` | `{value}` | {source} |\n" for where, name, value, source in figures())
    rows = "".join(f"| {which} | {row} | {source} |\n" for which, row, source in catalogue())
    return (
        f"{head}## In the code\n\n| where | figure | value | source |\n|---|---|---|---|\n{code}\n"
        f"## In the catalogues\n\n| catalogue | row | source |\n|---|---|---|\n{rows}"
    )


if __name__ == "__main__":
    PAGE.write_text(page(), encoding="utf-8")
    sys.exit(0)
