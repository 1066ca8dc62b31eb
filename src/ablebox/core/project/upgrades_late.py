# SPDX-License-Identifier: GPL-3.0-or-later
"""The steps to the newer file versions, from the twelfth on."""

from __future__ import annotations

from collections.abc import Callable
from typing import Any


def rungs_to_12(way: Any) -> Any:
    """To base frames that say how far they reach below the level line: none did."""
    if isinstance(way, dict) and isinstance(way.get("kick"), dict) and way["kick"].get("school") == "base-frame":
        return {**way, "kick": {**way["kick"], "below": "0 in"}}
    return way


def to_12(project: dict[str, Any]) -> dict[str, Any]:
    """To several rooms, studs as they were found, floors read anywhere, what stands on what, and a book of the fitting."""

    def rows(tree: Any, name: str, change: Callable[[dict[str, Any]], dict[str, Any]]) -> dict[str, Any]:
        if isinstance(tree, dict) and isinstance(tree.get(name), list):
            tree = {**tree, name: [change(each) if isinstance(each, dict) else each for each in tree[name]]}
        return tree  # type: ignore[no-any-return]

    def wall(old: dict[str, Any]) -> dict[str, Any]:
        for name in ("floor", "ceilings"):
            old = rows(old, name, lambda level: {**level, "out": "0 in"})
        if isinstance(old.get("studs"), list):
            stud = {"kind": "stud", "wide": "1 1/2 in", "found": "finder", "up": None}
            old = {**old, "studs": [{"at": at, **stud} for at in old["studs"]]}
        level = "0 in"
        return {
            **old, "room": 1, "backing": "framed", "lining": None, "struck": None, "joists": [], "lean_left": level, "lean_right": level,
        }  # fmt: skip

    def chosen(tree: Any) -> dict[str, Any]:
        tree = rows(
            rows(tree, "cases", lambda case: rungs_to_12({**case, "on": None})),
            "spaces",
            lambda space: {**space, "kick": "0 in", "what": "other"},
        )
        return {**tree, "ties": []} if isinstance(tree, dict) else tree

    room = rows(rows(project.get("room"), "walls", wall), "ways", lambda way: {**way, "room": 1})
    project["room"] = {**room, "names": ["Room"]} if isinstance(room, dict) else room
    project = chosen(project)
    if isinstance(project.get("options"), dict):
        project["options"] = {name: chosen(each) for name, each in project["options"].items()}
    bench = project.get("bench")
    if isinstance(bench, dict):
        orders = bench.get("orders")
        bench = (
            {**bench, "order": {**bench["order"], "first": "uppers"}} if isinstance(bench.get("order"), dict) else bench
        )
        if isinstance(orders, dict):
            bench["orders"] = {k: {**v, "first": "uppers"} if isinstance(v, dict) else v for k, v in orders.items()}
        project["bench"] = bench
    project["fit"] = {"done": [], "came_out": {}}
    return project


def to_13(project: dict[str, Any]) -> dict[str, Any]:
    """To a book of the paper: nothing was chosen or printed."""
    project["paper"] = {"size": "", "chapters": [], "cases": [], "labels": "", "printed": None}
    return project


def to_14(project: dict[str, Any]) -> dict[str, Any]:
    """To racks on doors, ridges of what is there already, cases bolted together: there were none."""

    def chosen(tree: Any) -> Any:
        if not isinstance(tree, dict):
            return tree
        for name, new in (("spaces", {"ridge": "0 in"}), ("ties", {"ridge": False})):
            if isinstance(tree.get(name), list):
                tree = {**tree, name: [{**each, **new} if isinstance(each, dict) else each for each in tree[name]]}
        return tree

    project = chosen({name: with_racks(each) for name, each in project.items()})
    bench = project.get("bench")
    if isinstance(bench, dict):
        screws = {"joining": "screws"}
        orders = bench.get("orders")
        if isinstance(bench.get("order"), dict):
            bench = {**bench, "order": {**bench["order"], **screws}}
        if isinstance(orders, dict):
            bench = {**bench, "orders": {k: {**v, **screws} if isinstance(v, dict) else v for k, v in orders.items()}}
        project["bench"] = bench
    if isinstance(project.get("options"), dict):
        project["options"] = {name: chosen(each) for name, each in project["options"].items()}
    return project


def with_racks(tree: Any) -> Any:
    """Return a tree in which every door and pair of doors says that it has no rack on it."""

    def racks(each: dict[str, Any]) -> None:
        if each.get("school") in ("door", "pair") and "inner" in each:
            each["racks"] = {"count": 0, "deep": "4 in", "high": "3 in", "side": "2 in", "end": "3 in"}

    return _everywhere(tree, racks)


def to_15(project: dict[str, Any]) -> dict[str, Any]:
    """To latches for driving: there were none."""
    return {name: with_latches(each) for name, each in project.items()}


def with_latches(tree: Any) -> Any:
    """Return a tree in which all pulls say that no front is latched."""

    def latches(each: dict[str, Any]) -> None:
        if isinstance(each.get("pulls"), dict) and "apart" in each["pulls"]:
            each["pulls"] = {**each["pulls"], "latched": False}

    return _everywhere(tree, latches)


def _everywhere(tree: Any, change: Callable[[dict[str, Any]], None]) -> Any:
    """Return a copy of a tree in which every record was changed, from the inside out."""
    if isinstance(tree, list):
        return [_everywhere(each, change) for each in tree]
    if not isinstance(tree, dict):
        return tree
    made = {name: _everywhere(each, change) for name, each in tree.items()}
    change(made)
    return made
