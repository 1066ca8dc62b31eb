# SPDX-License-Identifier: GPL-3.0-or-later
"""Every number a person may set, under the same key that its reckoning carries.

``A/kick.height`` is the kick of case A: the key of a case's number is its place in the design.
 ``room/width.2.read`` the second reading,
``stock/case/thickness`` the measured thickness of the case stock, ``saw/kerf`` the kerf.
A reading is set whether its own key or that of the length it stands for is named.
"""

from __future__ import annotations

import re
from dataclasses import replace
from functools import partial
from typing import Any

from ..cabinet import places
from ..lengths import ZERO, Length, millimetres
from ..room.reading import Method, Reading
from ..room.wall import SINGLE, Wall, number_of
from . import rows
from .choice import Choice
from .loose_edits import loose_choice
from .rack_choices import edging_choice, hardware_choice, stock_choice
from .room_edits import with_room
from .run_edits import change_space
from .stand_edits import with_plus
from .strip_edits import change_strip
from .tree import Project

_OUTSIDE = {"width": "width", "height": "height", "depth": "depth"}
#: Numbers that stand in lists of a school's record: name of the list -> words of one of them.
_LISTED = {"widths": "width of bay", "heights": "height of row", "setbacks": "set back of shelf"}

_THIN = millimetres("0.1")
#: The shop's pitches, each with what it is.
PITCHES = {
    "joint": "fasteners along a joint", "ends": "first and last from its ends", "back_edge": "brads along a back's edges",
    "back_field": "brads in a back's field", "panel": "panels screwed face to face", "frame": "face frame on its case",
    "counter": "counter, from below", "base": "case on its base frame",
}  # fmt: skip
_CLOSEST = millimetres(12)
#: Numbers of the saw: words, and whether it may be left open.
_SAW = {
    "kerf": ("kerf", False), "trim": ("trim", False), "opens": ("how far the fence opens", True),
    "smallest": ("smallest piece that is held safely", True), "over": ("what first cuts are made larger", False),
    "longest": ("longest rip there is room for", True),
    "reach": ("deepest board that is crosscut against a stop", True),
    "least": ("least side of an offcut that is kept", False),
}  # fmt: skip


def choice(project: Project, key: str) -> Choice | None:
    """Return the choice behind a key; ``None`` if the key is no choice or points at nothing."""
    head, _, rest = key.partition("/")
    number = number_of(head)
    if number is not None:
        return _wall_choice(project, key, number, rest) if number <= len(project.room.walls) else None
    if head in _ELSEWHERE:
        return _ELSEWHERE[head](project, key, rest)
    if head == "stock":
        return stock_choice(project, key, *rest.partition("/")[::2])
    if head == "edging":
        return edging_choice(project, key, rest.partition("/")[0])
    if head == "hardware":
        return hardware_choice(project, key, *rest.rpartition("/")[::2])
    if head == "saw" and rest in _SAW:
        return _saw_choice(project, key, rest)
    if head == "pitch" and rest in PITCHES:
        return _pitch_choice(project, key, rest)
    if head in {case.letter for case in project.cases}:
        return _case_choice(project, key, head, rest)
    return None


def _pitch_choice(project: Project, key: str, name: str) -> Choice:
    rack = project.rack
    return Choice(
        key, PITCHES[name], getattr(rack.pitches, name), _CLOSEST,
        lambda value: replace(project, rack=replace(rack, pitches=replace(rack.pitches, **{name: value}))),
    )  # fmt: skip


def _saw_choice(project: Project, key: str, name: str) -> Choice:
    words, optional = _SAW[name]

    def put(value: Length | None) -> Project:
        saw: dict[str, Any] = {name: value}
        return replace(project, rack=replace(project.rack, saw=replace(project.rack.saw, **saw)))

    least, clear = (_THIN, lambda: put(None)) if optional else (ZERO, None)
    return Choice(key, words, getattr(project.rack.saw, name), least, put, clear)


def _case_choice(project: Project, key: str, letter: str, rest: str) -> Choice | None:
    """Return the choice behind a place in the design, such as ``kick.height`` or ``inside.bays.1.widths.0``."""
    case = project.case(letter)
    steps = rest.split(".")
    found = _at(case, steps)
    if found is None:
        return None
    words, value, zero, optional = found

    def put(new: Length | None) -> Project:
        changed = places.put(case, rest, new)
        if rest == "width":
            changed = replace(changed, follows=False)
        return project.with_case(changed)

    clear = (lambda: put(None)) if optional else None
    return Choice(key, f"{letter}: {words}", value, ZERO if zero else _THIN, put, clear)


def _at(record: Any, steps: list[str]) -> tuple[str, Length | None, bool, bool] | None:
    """Return words, value, whether 0 is allowed and whether it may be empty; ``None`` if no size is there."""
    for i, step in enumerate(steps[:-1]):
        if isinstance(record, tuple):
            if not step.isdigit() or int(step) >= len(record):
                return None
            record = record[int(step)]
        elif step in getattr(record, "__dataclass_fields__", {}):
            if step in _LISTED and i == len(steps) - 2:
                return _in_list(getattr(record, step), step, steps[-1])
            record = getattr(record, step)
        else:
            return None
    known = getattr(record, "__dataclass_fields__", {}).get(steps[-1])
    if known is None:
        return None
    value = getattr(record, steps[-1])
    if known.metadata.get("kind") == "size":
        return known.metadata["words"], value, known.metadata["zero"], "empty" in known.metadata
    if isinstance(value, Length):
        return _OUTSIDE.get(steps[-1], steps[-1]), value, steps[-1] not in _OUTSIDE, False
    return None


def _in_list(values: tuple[Length | None, ...], name: str, step: str) -> tuple[str, Length | None, bool, bool] | None:
    if not step.isdigit() or int(step) >= len(values):
        return None
    words = f"{_LISTED[name]} {int(step) + 1}"
    return words, values[int(step)], name == "setbacks", name != "setbacks"


def _wall_choice(project: Project, key: str, number: int, rest: str) -> Choice | None:
    wall = project.wall(number)

    def put(**changes: Any) -> Project:
        return project.with_wall(number, replace(wall, **changes))

    if rest == "tape.body":
        body = project.room.tape_body
        return Choice(key, "tape body", body, ZERO, lambda v: replace(project, room=replace(project.room, tape_body=v)))
    if rest in ("island.along", "island.away") and wall.island is not None:
        name = rest.partition(".")[2]
        words = {"along": "from the first wall's left end", "away": "from the first wall"}[name]
        island: Any = wall.island
        return Choice(key, words, getattr(island, name), ZERO, lambda v: put(island=replace(island, **{name: v})))
    if rest == "allowance":
        return Choice(key, "fit allowance", wall.allowance, ZERO, lambda value: put(allowance=value))
    if rest in _LEANS:
        name, words = _LEANS[rest]
        return Choice(key, words, getattr(wall, name), ZERO - _DEEP, lambda v: put(**{name: v}))
    if rest in ("lining", "struck"):
        words = {"lining": "lining of the wall", "struck": "line the floor is read down from"}[rest]
        return Choice(key, words, getattr(wall, rest), ZERO, lambda v: put(**{rest: v}), lambda: put(**{rest: None}))
    rest = rest.removesuffix(".read")
    if rest in SINGLE:
        name = rest
        reading = getattr(wall, name)
        if reading is None:
            words = f"{_SINGLE_WORDS.get(name, name)} reading"
            return Choice(key, words, None, _THIN, lambda v: put(**{name: _read(wall, _SINGLE_PLACES[name], v)}))
        words = _SINGLE_WORDS.get(name, name)
        return Choice(key, f"{words} reading", reading.read, _THIN, lambda v: put(**{name: replace(reading, read=v)}))
    found = re.fullmatch(r"(width|stud|joist|floor|ceilings|obstacle)\.(\d+)(?:\.(\w+))?", rest)
    if found is None:
        return None
    what, at, part = found[1], int(found[2]) - 1, found[3] or ""
    rows: tuple[Any, ...] = getattr(wall, _ROWS[what])
    if what == "width" and at == len(rows) and not part:
        place = next_place(wall)
        return Choice(
            key, f"reading at {place}", None, _THIN, lambda v: put(widths=(*wall.widths, _read(wall, place, v)))
        )
    if not 0 <= at < len(rows):
        return None

    def put_row(row: Any) -> Project:
        return put(**{_ROWS[what]: (*rows[:at], row, *rows[at + 1 :])})

    if what == "width":
        old = rows[at]
        if part == "up":
            words = f"height of the reading at {old.place}"
            clear = partial(put_row, replace(old, up=None))
            return Choice(key, words, old.up, ZERO, lambda v: put_row(replace(old, up=v)), clear)
        return Choice(key, f"reading at {old.place}", old.read, _THIN, lambda v: put_row(replace(old, read=v)))
    if what == "joist":
        return Choice(key, f"joist {at + 1}", rows[at], ZERO, put_row)
    if what == "stud" and not part:
        return Choice(
            key, f"{rows[at].kind.words} {at + 1}", rows[at].at, ZERO, lambda v: put_row(replace(rows[at], at=v))
        )
    if what == "stud" and part == "up" and rows[at].up is None:
        return None
    if part not in _PARTS.get(what, ()):
        return None
    of = f"height {at + 1}"
    if what == "obstacle":
        of = rows[at].words
    elif what == "stud":
        of = f"{rows[at].kind.words} {at + 1}"
    words = f"{_PARTS[what][part]} of {of}"
    least = (
        _THIN if part in ("width", "height", "wide") else ZERO - _DEEP if (what, part) == ("floor", "high") else ZERO
    )
    return Choice(key, words, getattr(rows[at], part), least, lambda v: put_row(replace(rows[at], **{part: v})))


def next_place(wall: Wall) -> str:
    """Return where the next width of a wall is read: floor, counter, eye height, top, then wherever one likes."""
    taken = {reading.place for reading in wall.widths}
    return next(name for name in (*_PLACES, *(f"place {i}" for i in range(1, 1000))) if name not in taken)


def _read(wall: Wall, place: str, value: Length | None) -> Reading:
    """Return a new reading, taken as the last one of its wall was."""
    taken = [*wall.widths, *(each for name in SINGLE if (each := getattr(wall, name)) is not None)]
    assert value is not None
    return Reading(place, value, taken[-1].method if taken else Method.UNSAID)


#: Where widths are read, one after the other (common practice).
_PLACES = ("floor", "counter", "top", "eye height")
_SINGLE_WORDS = {"rising": "diagonal, up to the right", "falling": "diagonal, down to the right"}
_SINGLE_PLACES = {"ceiling": "ceiling", "mouth": "mouth", "rising": "up to the right", "falling": "down to the right"}
#: The lists of a wall by what their keys are called, and the sizes in their rows.
_ROWS = {"width": "widths", "stud": "studs", "floor": "floor", "ceilings": "ceilings", "obstacle": "obstacles", "joist": "joists"}  # fmt: skip
_PARTS = {
    "floor": {"at": "place", "high": "height", "out": "way out from the wall"},
    "stud": {"wide": "width", "up": "height over the floor"},
    "ceilings": {"at": "place", "high": "height"},
    "obstacle": {
        "x": "place", "low": "height over the floor", "width": "width", "height": "height", "out": "depth",
    },
}  # fmt: skip
_LEANS = {
    "lean.left": ("lean_left", "how far the top at the left stands in"),
    "lean.right": ("lean_right", "how far the top at the right stands in"),
}
#: How far a floor may fall below the line its heights are told from.
_DEEP = millimetres(2000)


def _way_choice(project: Project, key: str, rest: str) -> Choice | None:
    """Return the choice behind a size of a way in: ``way/1.width``."""
    found = rows.named(rest, ("width", "height", "turn"), project.room.ways)
    if found is None:
        return None
    number, way, part = found

    def put(value: Length | None) -> Project:
        return with_room(project, ways=rows.changed(project.room.ways, number, **{part: value}))

    clear = (lambda: put(None)) if part == "turn" else None
    return Choice(key, f"{part} of {way.name}", getattr(way, part), _THIN, put, clear)


def _corner_choice(project: Project, key: str, rest: str) -> Choice | None:
    """Return the choice behind a length of a corner: ``corner/1.across``."""
    found = rows.named(rest, ("along", "other", "across"), project.room.corners)
    if found is None:
        return None
    number, corner, part = found

    def put(value: Length) -> Project:
        return with_room(project, corners=rows.changed(project.room.corners, number, **{part: value}))

    return Choice(key, f"{part}, corner {number}", getattr(corner, part), _THIN, put)


def _space_choice(project: Project, key: str, rest: str) -> Choice | None:
    """Return the choice behind a size of a space: ``space/2.width``."""
    outside = ("width", "height", "depth")
    found = rows.named(rest, (*outside, "air", "behind", "above", "scribe", "kick", "ridge"), project.spaces)
    if found is None:
        return None
    number, space, part = found

    def put(value: Length | None) -> Project:
        return change_space(project, number, **{part: value})

    least = _THIN if part in outside else ZERO
    clear = (lambda: put(None)) if part == "width" else None
    return Choice(key, f"{part} of {space.name}", getattr(space, part), least, put, clear)


def _strip_choice(project: Project, key: str, rest: str) -> Choice | None:
    """Return the choice behind a size of a strip: ``strip/1.width``."""
    found = rows.named(rest, ("width", "beyond"), project.strips)
    if found is None:
        return None
    number, strip, part = found
    least = _THIN if part == "width" else ZERO
    words = f"{part} of the {strip.name}"
    return Choice(key, words, getattr(strip, part), least, lambda v: change_strip(project, number, **{part: v}))


def _tie_choice(project: Project, key: str, rest: str) -> Choice | None:
    """Return the choice behind what is added to a size that follows another's: ``tie/1.plus``."""
    found = rows.named(rest, ("plus",), project.ties)
    if found is None:
        return None
    number, tie, _ = found
    words = f"more than the {tie.same.words} it follows"
    return Choice(key, words, tie.plus, ZERO - _DEEP, lambda v: with_plus(project, number, v))


def set_measured(project: Project, key: str, value: Length | None) -> Project:
    """Return the project with a sum overruled by a measurement, or set free again with ``None``."""
    measured = {k: v for k, v in project.measured.items() if k != key}
    if value is not None:
        measured[key] = value
    return replace(project, measured=measured)


#: Choices that are neither of a wall nor of a case, by what their keys begin with.
_ELSEWHERE = {
    "loose": loose_choice,
    "way": _way_choice,
    "corner": _corner_choice,
    "space": _space_choice,
    "strip": _strip_choice,
    "tie": _tie_choice,
}
