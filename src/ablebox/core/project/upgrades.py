# SPDX-License-Identifier: GPL-3.0-or-later
"""Brings projects of older file versions up to date, one function a step.

What is damaged is left as it is: the reader reports it, with its place.
"""

from __future__ import annotations

from typing import Any


def upgraded(project: Any, version: int) -> Any:
    """Return the tree of a project as the newest version would have written it.

    Args:
        project: the tree as read.
        version: the file's version.
    """
    for step in _STEPS[version - 1 :]:
        if isinstance(project, dict):
            project = step({**project})
    return project


def _to_2(project: dict[str, Any]) -> dict[str, Any]:
    """From one way of building to every school."""
    if isinstance(project.get("cases"), list):
        project["cases"] = [_case_to_2(case) for case in project["cases"]]
    rack = project.get("rack")
    if isinstance(rack, dict):
        rack = {**rack, "boards": [], "hardware": []}
        if isinstance(rack.get("goods"), list):
            rack["goods"] = [_goods_to_2(goods) for goods in rack["goods"]]
        if isinstance(rack.get("edgings"), list):
            rack["edgings"] = [{**row, "price": None} if isinstance(row, dict) else row for row in rack["edgings"]]
        project["rack"] = rack
    return project


def _goods_to_2(goods: Any) -> Any:
    if not isinstance(goods, dict):
        return goods
    goods = {**goods, "stuff": "hardwood-ply"}
    if isinstance(goods.get("sheets"), list):
        goods["sheets"] = [{**sheet, "price": None} if isinstance(sheet, dict) else sheet for sheet in goods["sheets"]]
    return goods


def _case_to_2(case: Any) -> Any:
    if not isinstance(case, dict):
        return case
    case = {
        **case,
        "frame": {"school": "frameless"},
        "cutouts": [],
        "scribes": [],
        "extras": [],
        "set_in": "0 in",
        "counter": {"school": "none"},
        "load": "kitchen",
        "turned": 0,
    }
    if isinstance(case.get("kick"), dict):
        case["kick"] = {**case["kick"], "both_sides": False}
    if isinstance(case.get("back"), dict):
        case["back"] = {**case["back"], "lower_rail": False}
    if isinstance(case.get("bottom"), dict):
        joint = {"school": "dado", **{k: v for k, v in case["bottom"].items() if k not in ("school", "dado")}}
        if "dado" in case["bottom"]:
            joint["depth"] = case["bottom"]["dado"]
        case["bottom"] = {"school": "bottom", "joint": joint}
    if isinstance(case.get("top"), dict):
        case["top"] = {**case["top"], "school": "stretchers", "front": "flat", "back": "flat", "fastener": "pocket"}
    if isinstance(case.get("fronts"), dict):
        case["fronts"] = _fronts_to_2(case["fronts"])
        back = case.get("back")
        case["fronts"]["box"]["goods"] = case.get("goods")
        case["fronts"]["box"]["bottom_goods"] = back.get("goods") if isinstance(back, dict) else case.get("goods")
    if "shelves" in case:
        shelves = case.pop("shelves")
        if isinstance(shelves, dict):
            shelves = {**shelves, "setbacks": []}
        case["inside"] = {"school": "bay", "fittings": [shelves]}
    return case


def _fronts_to_2(fronts: dict[str, Any]) -> dict[str, Any]:
    old = dict(fronts)
    old.pop("school", None)
    fit = {"school": "full-overlay"}
    making = {"school": "slab"}
    for name in ("reveal", "reveal_top", "reveal_bottom", "gap"):
        if name in old:
            fit[name] = old.pop(name)
    for name in ("goods", "edging"):
        if name in old:
            making[name] = old.pop(name)
    box = {
        "goods": making.get("goods", ""), "bottom_goods": making.get("goods", ""), "corner": "rabbet", "bottom": "cut-off",
        "groove": "1/4 in", "up": "3/8 in", "play": "1/16 in", "below": "1/2 in", "above": "1/2 in", "strip": "0 in",
    }  # fmt: skip
    slides = {"school": "side-mount", "clearance": "1/2 in", "behind": "1/4 in"}
    return {
        "school": "face",
        "fit": fit,
        "making": making,
        "drawer_fronts": {"school": "like-doors"},
        "face": {"school": "pair", "making": {"school": "like-doors"}},
        **old,
        "box": box,
        "slides": slides,
        "pulls": {
            "kind": "bar",
            "apart": None,
            "out": "1 1/4 in",
            "edge": "1 1/8 in",
            "end": "2 1/2 in",
        },
    }


_STEPS = (_to_2,)
