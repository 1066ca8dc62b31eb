# SPDX-License-Identifier: GPL-3.0-or-later
"""The parts list as plain data, in millimetres, every size with the sum behind it."""

from __future__ import annotations

from typing import Any

from ...lengths import Length
from ...parts.listing import Part
from ...parts.machining import HoleRow, Machining
from ...parts.stretch import Stretch
from ...reckoning import Reckoned, Term


def mm(length: Length) -> float:
    """Return millimetres to six decimals."""
    return round(length.mm, 6)


def sum_tree(number: Reckoned) -> list[dict[str, Any]]:
    """Return the terms of a number, which add up to it.

    A number without terms is a sum of one. A term that is itself a sum carries its own
    ``reckoning``; ``times`` and ``shared_among`` say how often it is taken or shared out.
    """
    if not number.terms:
        return [_term(Term(1, number))]
    return [_term(term) for term in number.terms]


def _term(term: Term) -> dict[str, Any]:
    item = term.item
    tree: dict[str, Any] = {
        "sign": "+" if term.sign > 0 else "-",
        "value_mm": mm(term.value),
        "label": term.label,
        "source": item.source,
    }
    if term.times != 1:
        tree["times"] = term.times
    if item.terms:
        tree["reckoning"] = sum_tree(item)
    if item.shared_among != 1:
        tree["shared_among"] = item.shared_among
    if item.reckoned_length is not None:
        tree["reckoned_mm"] = mm(item.reckoned_length)
    return tree


def parts_tree(parts: list[Part]) -> list[dict[str, Any]]:
    """Return one object for each distinct part."""
    return [_part(part) for part in parts]


def _part(part: Part) -> dict[str, Any]:
    return {
        "code": part.code,
        "case": part.case,
        "name": part.name,
        "count": part.count,
        "pieces": part.pieces,
        "material": part.goods.name,
        "length": mm(part.length.length),
        "width": mm(part.width.length),
        "thickness": mm(part.thickness.length),
        "cut_length": mm(part.cut_length.length),
        "cut_width": mm(part.cut_width.length),
        "grain": part.grain.value,
        "hand": part.hand.value,
        "shows": part.shows.words if part.shows else "",
        "edges": [
            {
                "edge": band.edge.words,
                "edging": band.edging.name,
                "thickness": mm(band.edging.thickness),
                "deducted": band.edging.deducted,
                "run": mm(band.run),
            }
            for band in part.bands
        ],
        "machining": [_machining(item) for item in part.machining],
        "reckoning": {
            "length": sum_tree(part.length),
            "width": sum_tree(part.width),
            "cut_length": sum_tree(part.cut_length),
            "cut_width": sum_tree(part.cut_width),
        },
    }


def _stretch(stretch: Stretch) -> dict[str, Any]:
    return {"from_edge": stretch.edge.words, "start": mm(stretch.start), "end": mm(stretch.end)}


def _machining(item: Machining) -> dict[str, Any]:
    if isinstance(item, HoleRow):
        return {
            "kind": "holes",
            "name": item.use.words,
            "face": item.face.words,
            "diameter": mm(item.diameter),
            "depth": mm(item.depth),
            "across": _stretch(item.across),
            "from_edge": item.edge.words,
            "at": [mm(at) for at in item.at],
            "toward": item.toward.words if item.toward is not None else "",
        }
    return {
        "kind": item.kind.value,
        "name": item.name,
        "face": item.face.words,
        "along": _stretch(item.along),
        "across": _stretch(item.across),
        "depth": mm(item.depth),
        "through": item.through,
        "in_edge": item.in_edge,
        "off": [{"face": face.words, "depth": mm(size)} for face, size in item.off],
    }
