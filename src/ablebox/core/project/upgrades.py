# SPDX-License-Identifier: GPL-3.0-or-later
"""Brings projects of older file versions up to date, one function a step.

What is damaged is left as it is: the reader reports it, with its place.
"""

from __future__ import annotations

from typing import Any

from .upgrades_late import rungs_to_12, to_12, to_13, to_14, to_15, with_latches, with_racks


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


def upgraded_shop(shop: Any, version: int) -> Any:
    """Return the tree of a person's own shop as the newest version would have written it.

    Args:
        shop: the tree as read.
        version: the file's version; the first is as old as the second of projects.
    """
    if not isinstance(shop, dict):
        return shop
    shop = {**shop}
    if version < 2:
        shop = _to_3(shop)
        if isinstance(shop.get("presets"), dict):
            shop["presets"] = {name: _fronts_of_to_3(way) for name, way in shop["presets"].items()}
    if version < 3:
        shop = _to_4(shop)
        if isinstance(shop.get("presets"), dict):
            shop["presets"] = {name: _counter_to_4(way) for name, way in shop["presets"].items()}
    if version < 4 and isinstance(shop.get("presets"), dict):
        shop["presets"] = {name: _built_to_5(way) for name, way in shop["presets"].items()}
    if version < 5:
        shop = _to_6(shop)
    if version < 6 and isinstance(shop.get("presets"), dict):
        shop["presets"] = {name: _flaps_to_7(_back_to_7(way)) for name, way in shop["presets"].items()}
    if version < 7:
        shop = _to_9(shop)
    if version < 8:
        shop["days"] = None
    if version < 9 and isinstance(shop.get("presets"), dict):
        shop["presets"] = {name: rungs_to_12(way) for name, way in shop["presets"].items()}
    if version < 10:
        shop = with_racks(shop)
    if version < 11:
        shop = with_latches(shop)
    for name in ("done", "held", "rests", "loose", "spaces", "strips"):
        shop.pop(name, None)
    return shop


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


def _to_3(project: dict[str, Any]) -> dict[str, Any]:
    """Fronts on every side, each with a fit of its own; hardware with the figures it is chosen by; what is cut."""
    project["done"] = []
    if isinstance(project.get("cases"), list):
        project["cases"] = [_case_to_3(case) for case in project["cases"]]
    rack = project.get("rack")
    if isinstance(rack, dict) and isinstance(rack.get("hardware"), list):
        figures = {"kind": "other", "size": None, "takes": None, "carries": None, "angle": None}
        items = [{**figures, **item} if isinstance(item, dict) else item for item in rack["hardware"]]
        rack = {**rack, "hardware": items}
        if isinstance(rack.get("saw"), dict):
            rack["saw"] = {**rack["saw"], "opens": None, "smallest": None}
        project["rack"] = rack
    return project


def _case_to_3(case: Any) -> Any:
    if not isinstance(case, dict):
        return case
    open_side = {"school": "open"}
    return _fronts_of_to_3({**case, "rear": open_side, "left_end": open_side, "right_end": open_side})


def _fronts_of_to_3(case: Any) -> Any:
    """Bring the fronts of a case, or of a way of building, up to date."""
    if not isinstance(case, dict):
        return case
    case, fronts = {**case}, case.get("fronts")
    if isinstance(fronts, dict) and fronts.get("school") == "face":
        fronts = {**fronts, "grain": "each", "face": _cell_to_3(fronts.get("face"))}
        if isinstance(fronts.get("slides"), dict):
            fronts["slides"] = {**fronts["slides"], "length": None}
        if isinstance(fronts.get("box"), dict):
            fronts["box"] = {
                **fronts["box"], "shape": "level", "front_high": "3 in", "back_above": "0 in", "along": 0, "across": 0,
            }  # fmt: skip
        for name in ("making", "drawer_fronts"):
            fronts[name] = _making_to_3(fronts.get(name))
        case["fronts"] = fronts
    return case


def _making_to_3(making: Any) -> Any:
    if isinstance(making, dict) and making.get("school") == "frame-panel":
        return {**making, "tongue": None, "bevel": "1 1/4 in"}
    return making


def _cell_to_3(cell: Any) -> Any:
    if not isinstance(cell, dict):
        return cell
    if isinstance(cell.get("cells"), list):
        return {**cell, "cells": [_cell_to_3(each) for each in cell["cells"]]}
    school = cell.get("school")
    if school in ("pair", "door", "drawer", "false-front", "flap"):
        cell = {**cell, "fit": {"school": "like-others"}, "making": _making_to_3(cell.get("making"))}
    if school in ("pair", "door"):
        cell["inner"] = {"count": 0, "high": None, "packer": "1 in", "behind": "1/2 in"}
    if school == "false-front":
        cell["look"] = "drawer"
    return cell


def _to_4(project: dict[str, Any]) -> dict[str, Any]:
    """To how sheets go through the saw, boards on the rack, sheets that are held and parts of no case."""
    project.update(held=[], rests=[], loose=[], spaces=[], strips=[])
    if isinstance(project.get("alcove"), dict):
        wall = {**project.pop("alcove")}
        body = wall.pop("tape_body", None)
        wall.update(left="wall", right="wall", floor=[], ceilings=[], studs=[], obstacles=[])
        project["room"] = {"walls": [wall], "ways": [], "corners": []}
        if body is not None:
            project["room"]["tape_body"] = body
    units = project.get("units")
    metric = isinstance(units, dict) and units.get("system") == "mm"
    if isinstance(project.get("cases"), list):
        hang = "1370 mm" if metric else "54 in"
        project["cases"] = [_case_to_4(case, hang) for case in project["cases"]]
    rack = project.get("rack")
    if isinstance(rack, dict):
        rack = {**rack}
        if isinstance(rack.get("saw"), dict):
            rack["saw"] = {
                **rack["saw"], "style": "table saw", "over": "0 in", "store_cuts": 2, "stages": 0, "longest": None,
                "heaviest": None,
            }  # fmt: skip
        if isinstance(rack.get("boards"), list):
            rack["boards"] = [_boards_to_4(row) for row in rack["boards"]]
        project["rack"] = rack
    return project


def _case_to_4(case: Any, hang: str) -> Any:
    if not isinstance(case, dict):
        return case
    return _counter_to_4({**case, "wall": 1, "hang": hang, "copies": 1})


def _counter_to_4(case: Any) -> Any:
    """Bring the counter of a case, or of a way of building, up to date."""
    if isinstance(case, dict) and isinstance(case.get("counter"), dict) and case["counter"].get("school") == "sheet":
        return {**case, "counter": {**case["counter"], "over": 1}}
    return case


def _boards_to_4(row: Any) -> Any:
    if not isinstance(row, dict):
        return row
    row = {**row, "extra_length": "0 in", "extra_width": "0 in"}
    if isinstance(row.get("boards"), list):
        row["boards"] = [{**b, "count": None, "defects": []} if isinstance(b, dict) else b for b in row["boards"]]
    return row


def _to_5(project: dict[str, Any]) -> dict[str, Any]:
    """To forms in a corner, ends that are seen, bases that go on, and where readings were taken."""
    if isinstance(project.get("cases"), list):
        project["cases"] = [_case_to_5(case) for case in project["cases"]]
    room = project.get("room")
    if isinstance(room, dict) and isinstance(room.get("walls"), list):
        project["room"] = {**room, "walls": [_wall_to_5(wall) for wall in room["walls"]]}
    return project


def _case_to_5(case: Any) -> Any:
    if not isinstance(case, dict):
        return case
    looks = {side: {"school": "undecided"} for side in ("left_seen", "right_seen")}
    return _built_to_5({**case, "plan": {"school": "straight"}, **looks})


def _built_to_5(case: Any) -> Any:
    """Bring frame and base of a case, or of a way of building, up to date."""
    if not isinstance(case, dict):
        return case
    frame, kick = case.get("frame"), case.get("kick")
    counter = case.get("counter")
    if isinstance(counter, dict) and counter.get("school") == "sheet":
        case = {**case, "counter": {**counter, "beside": False}}
    if isinstance(frame, dict) and frame.get("school") == "face-frame":
        case = {**case, "frame": {**frame, "follow": False}}
    if isinstance(kick, dict) and kick.get("school") in ("notched", "feet"):
        case = {**case, "kick": {**kick, "carried": False}}
    return case


def _wall_to_5(wall: Any) -> Any:
    if not isinstance(wall, dict):
        return wall
    wall = {**wall, "island": None, "rising": None, "falling": None}
    if isinstance(wall.get("widths"), list):
        wall["widths"] = [_reading_to_5(reading) for reading in wall["widths"]]
    for name in ("ceiling", "mouth"):
        wall[name] = _reading_to_5(wall.get(name))
    return wall


def _reading_to_5(reading: Any) -> Any:
    return {**reading, "up": None, "deep": ""} if isinstance(reading, dict) else reading


def _to_6(project: dict[str, Any]) -> dict[str, Any]:
    """To pitches of fasteners, and hardware that stands in space."""
    rack = project.get("rack")
    if isinstance(rack, dict):
        rack = {**rack, "pitches": dict(_PITCHES), "blocks": []}
        if isinstance(rack.get("hardware"), list):
            rack["hardware"] = [{**row, **_NO_MEMBERS} if isinstance(row, dict) else row for row in rack["hardware"]]
        project["rack"] = rack
    return project


_PITCHES = {
    "joint": "6 in", "back_edge": "6 in", "back_field": "10 in", "panel": "7 in", "frame": "10 in", "counter": "24 in",
    "base": "24 in", "ends": "2 in",
}  # fmt: skip
_NO_MEMBERS: dict[str, Any] = {"high": None, "line": None, "first": None, "pitch": None, "packet": None}


def _to_7(project: dict[str, Any]) -> dict[str, Any]:
    """To codes that are given out: those of an old project are the ones its list had."""
    project["register"], project["given"] = {}, {}
    if isinstance(project.get("cases"), list):
        project["cases"] = [_flaps_to_7(_back_to_7(case)) for case in project["cases"]]
    return project


def _flaps_to_7(record: Any) -> Any:
    """To flaps that say whether they are written on, wherever in a design."""
    if isinstance(record, list):
        return [_flaps_to_7(each) for each in record]
    if isinstance(record, dict):
        record = {name: _flaps_to_7(each) for name, each in record.items()}
        return {**record, "desk": False} if record.get("school") == "flap" else record
    return record


def _back_to_7(way: Any) -> Any:
    """To backs in rabbets that have play; those of old files keep their sizes."""
    back = way.get("back") if isinstance(way, dict) else None
    if isinstance(back, dict) and back.get("school") == "rabbet":
        return {**way, "back": {**back, "play": "0 in"}}
    return way


def _to_8(project: dict[str, Any]) -> dict[str, Any]:
    """To strips that say where they are: it was known by what they were called."""
    if isinstance(project.get("strips"), list):
        project["strips"] = [
            {**strip, "sits": _SITS.get(str(strip.get("name")), "before")} if isinstance(strip, dict) else strip
            for strip in project["strips"]
        ]
    return project


_SITS = {"crown": "over", "light rail": "under"}


def _to_9(project: dict[str, Any]) -> dict[str, Any]:
    """To saws that trim two edges or four, and sheets that stay as they were begun; old files keep four."""
    rack = project.get("rack")
    if isinstance(rack, dict) and isinstance(rack.get("saw"), dict):
        project["rack"] = {**rack, "saw": {**rack["saw"], "four": True, "reach": None, "least": "4 in", "batch": 1}}
    if isinstance(project.get("held"), list):
        project["held"] = [{**each, "begun": None} if isinstance(each, dict) else each for each in project["held"]]
    return project


def _to_10(project: dict[str, Any]) -> dict[str, Any]:
    """To projects that keep a book of the bench."""
    order = {
        "pins": "loose", "back": "before-frame", "frame": "apart", "finish": "after", "slides": "in-place", "fronts": "bench",
        "top": "after", "batch": "case",
    }  # fmt: skip
    rooms = {
        "driver": ("7 in", "1/4 in"), "drill": ("11 in", "1/4 in"), "right_angle": ("4 in", "1/4 in"), "hand": ("6 in", "4 in"),
        "brush": ("6 in", "4 in"), "clamp": ("4 in", "2 in"),
    }  # fmt: skip
    reach = {name: {"length": length, "width": width} for name, (length, width) in rooms.items()}
    doubts = {
        "tape": "1/32 in", "cut": "1/64 in", "sheet": "1/32 in", "joint": "1/64 in", "hung": "1/32 in", "gauge": "1/128 in",
    }  # fmt: skip
    project["bench"] = {"order": order, "orders": {}, "ticked": [], "states": {}, "reach": reach, "doubts": doubts}
    return project


def _to_11(project: dict[str, Any]) -> dict[str, Any]:
    """To projects that keep their time, their finish, what is bought and a log."""

    def span(start: str, end: str, hands: int = 1) -> dict[str, Any]:
        return {"start": start, "end": end, "hands": hands}

    evening = [span("18:30", "21:00")]
    saturday = [span("09:00", "12:30", 2), span("13:30", "17:00", 2)]
    sunday = [span("10:00", "12:30"), span("13:30", "16:00")]
    project["days"] = {
        "start": None, "hours": {"week": [[], evening, evening, evening, [], saturday, sunday], "dates": {}},
        "noise": {"start": "08:00", "end": "20:00", "quiet": [6]}, "warmth": {"worked": 18, "left": 15, "dates": []},
        "glue": {"open": 15, "clamp": 45, "load": 1440, "least": 10}, "others": [], "pinned": {}, "laid": {}, "rates": {},
    }  # fmt: skip
    project["coats"] = {"outside": "", "inside": "", "sights": {}}
    project["buying"], project["log"], project["option"], project["options"] = {}, [], "", {}
    return project


_STEPS = (_to_2, _to_3, _to_4, _to_5, _to_6, _to_7, _to_8, _to_9, _to_10, _to_11, to_12, to_13, to_14, to_15)
