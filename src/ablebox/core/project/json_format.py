# SPDX-License-Identifier: GPL-3.0-or-later
"""The project as JSON text, read strictly: every fault is reported, each with its place.

Format history (see docs/file-format.md):

1. First version: project, units, alcove, rack, cases, measured.
2. Every school of construction: a case has frame, inside, cut-outs, scribes, load and turn; bottom and
   fixed members name their joint; the rack has boards, prices, and what each stock is made of.
3. Fronts on every side of a case, each with a fit of its own and grain that may run through; drawer boxes of any
   shape; hardware with the figures it is chosen by; the pieces that are cut.
4. How sheets go through the saw; boards on the rack with what cannot be used of them; sheets on which pieces are
   held; offcuts kept or scrapped; parts that belong to no case. A room of several walls with what is on them, and what
   stands between cases.
5. Corner cases with the face across; ends as they look where they are seen; stiles that follow from the neighbours; kick
   boards that go on before several cases; how high and how deep a reading was taken; islands.
6. How far apart the shop sets fasteners; heights and holes of slides; packets; spacer blocks that are kept.
7. The register of the codes given to pieces, and which of them are printed.
8. Strips that say where they are.
9. Trims of two edges or four, how deep the saw crosscuts, the least offcut, sheets cut in batches; how a sheet was when it
   was begun.
10. The bench: how the order of work was chosen, what is ticked, states of pieces, room for tools, doubts.
11. Time, finish, buying, options and the log.
12. Several rooms; what is behind the walls; floors read anywhere; what stands on what, sizes that follow another's; the fitting.
13. The paper: its size, chapters and labels, and the page set that was printed last.
14. Racks on doors; ridges of what is there already; lights, switches and ways for cords among what is added to parts.
"""

from __future__ import annotations

import json
from dataclasses import fields, is_dataclass
from datetime import date, datetime, time
from enum import Enum
from types import NoneType, UnionType
from typing import Any, Union, get_args, get_origin

from cattrs import ClassValidationError, Converter, IterableValidationError, transform_error
from cattrs.gen import make_dict_structure_fn, make_dict_unstructure_fn

from ..assembly.part import Face
from ..cabinet.design import SCHOOLS
from ..errors import FileFaulty, FileNewer, LengthNotUnderstood, shortened
from ..lengths import Length
from ..typed import read_length
from ..units import System, Units
from .limits import LONGEST, MOST_DIGITS, MOST_IN_ONE, MOST_MEMBERS, too_much
from .tree import Project
from .upgrades import upgraded

FORMAT, VERSION = "ablebox", 15

_INCH, _MM = Units(System.INCH), Units(System.MM)
_SCHOOL_NAMES = {record: name for schools in SCHOOLS.values() for name, record in schools.items()}


class _Wrong(ValueError):
    """A fault in the file; its text is shown as it is."""


def _length_in(value: Any, _: Any) -> Length:
    if not isinstance(value, str):
        raise _Wrong(
            f'{shortened(json.dumps(value))} is not a length; write it with its unit, as in "24 1/4 in" or "616.5 mm"'
        )
    if not value.endswith((" in", " mm")):
        raise _Wrong(f"“{shortened(value)}” lacks its unit; write in or mm behind it")
    try:
        found = read_length(value, _MM)
        if abs(found.ticks) > LONGEST.ticks:
            raise _Wrong(f"“{shortened(value)}” is longer than anything a shop builds")
        return found
    except LengthNotUnderstood as fault:
        raise _Wrong(str(fault)) from None


def _length_out(length: Length) -> str:
    text = _INCH.exact(length)
    return text.replace("−", "-") if text.endswith(" mm") else text.replace("−", "-") + " in"


def _strict(kind: type, words: str) -> Any:
    def structure(value: Any, _: Any) -> Any:
        if type(value) is not kind:
            raise _Wrong(f"{json.dumps(value, ensure_ascii=False)[:60]} is not {words}")
        return value

    return structure


def _moment(kind: Any, words: str) -> Any:
    def structure(value: Any, _: Any) -> Any:
        try:
            found = kind.fromisoformat(value) if isinstance(value, str) else None
        except ValueError:
            found = None
        if (
            found is None
            or type(found) is not kind
            or getattr(found, "tzinfo", None) is not None
            or _moment_out(found) != value
        ):
            raise _Wrong(f"{shortened(json.dumps(value))} is not {words}")
        return found

    return structure


def _moment_out(moment: date | time) -> str:
    return moment.isoformat(timespec="minutes") if isinstance(moment, (datetime, time)) else moment.isoformat()


def _enum_in(value: Any, kind: type[Enum]) -> Enum:
    try:
        return kind(value)
    except ValueError:
        allowed = ", ".join(str(member.value) for member in kind)
        raise _Wrong(f"{json.dumps(value)} is not one of {allowed}") from None


def _face_in(value: Any, _: Any) -> Face:
    found = next((face for face in Face if face.words == value), None)
    if found is None:
        allowed = ", ".join(face.words for face in Face)
        raise _Wrong(f"{json.dumps(value)} is not one of {allowed}")
    return found


def _record_in(converter: Converter, kind: Any) -> Any:
    """Read a record strictly: every field there, none unknown, schools by their name."""
    inner = make_dict_structure_fn(kind, converter, _cattrs_forbid_extra_keys=True, _cattrs_detailed_validation=True)
    names = [field.name for field in fields(kind)]
    school = _SCHOOL_NAMES.get(kind)

    def structure(value: Any, _: Any) -> Any:
        if not isinstance(value, dict):
            raise _Wrong("is not an object { }")
        value = dict(value)
        faults: list[Exception] = []
        if school is not None and value.pop("school", None) != school:
            faults.append(_Wrong(f"“school” must be “{school}”"))
        missing = [name for name in names if name not in value]
        if missing:
            faults.append(_Wrong(f"lacks {', '.join(missing)}"))
        try:
            made = inner(value, kind)
        except ClassValidationError as group:
            faults += [fault for fault in group.exceptions if not isinstance(fault, KeyError)]
        except ValueError as fault:
            faults.append(_Wrong(str(fault)))
        if faults:
            raise ClassValidationError("faults", faults, kind)
        return made

    return structure


def _is_schools(kind: Any) -> bool:
    """Whether a type is a choice between schools, which say in the file which they are."""
    if get_origin(kind) not in (Union, UnionType):
        return False
    return all(member in _SCHOOL_NAMES for member in get_args(kind))


def _school_in(converter: Converter, kind: Any) -> Any:
    members = {_SCHOOL_NAMES[member]: member for member in get_args(kind)}

    def structure(value: Any, _: Any) -> Any:
        if not isinstance(value, dict):
            raise _Wrong("is not an object { }")
        chosen = value.get("school")
        if not isinstance(chosen, str) or chosen not in members:
            raise _Wrong(f"“school” is {json.dumps(chosen)[:40]}, not one of {', '.join(members)}")
        return converter.structure(value, members[chosen])

    return structure


def _is_optional(kind: Any) -> bool:
    return get_origin(kind) in (Union, UnionType) and NoneType in get_args(kind)


def _optional_in(converter: Converter, kind: Any) -> Any:
    inner = next(member for member in get_args(kind) if member is not NoneType)
    return lambda value, _: None if value is None else converter.structure(value, inner)


def _is_tuple(kind: Any) -> bool:
    return get_origin(kind) is tuple


def _tuple_in(converter: Converter, kind: Any) -> Any:
    """Read a list, and nothing that merely can be walked through."""
    listed: Any = list.__class_getitem__(get_args(kind)[0])

    def structure(value: Any, _: Any) -> Any:
        if not isinstance(value, list):
            raise _Wrong("is not a list [ ]")
        # Asked for late: an inside holds insides.
        return tuple(converter.get_structure_hook(listed)(value, listed))

    return structure


def _record_out(converter: Converter, kind: Any) -> Any:
    inner = make_dict_unstructure_fn(kind, converter)
    school = _SCHOOL_NAMES.get(kind)
    if school is None:
        return inner
    return lambda record: {"school": school, **inner(record)}


def _converter() -> Converter:
    made = Converter(detailed_validation=True)
    for kind, words in ((str, "a text in quotes"), (int, "a whole number"), (bool, "true or false")):
        made.register_structure_hook(kind, _strict(kind, words))
    made.register_structure_hook_func(lambda kind: isinstance(kind, type) and issubclass(kind, Enum), _enum_in)
    made.register_structure_hook_factory(is_dataclass, lambda kind: _record_in(made, kind))
    made.register_structure_hook_factory(_is_optional, lambda kind: _optional_in(made, kind))
    made.register_structure_hook_factory(_is_schools, lambda kind: _school_in(made, kind))
    made.register_unstructure_hook_func(_is_schools, lambda record: made.unstructure(record, type(record)))
    made.register_structure_hook_factory(_is_tuple, lambda kind: _tuple_in(made, kind))
    made.register_unstructure_hook_factory(is_dataclass, lambda kind: _record_out(made, kind))
    made.register_structure_hook(Face, _face_in)
    made.register_unstructure_hook(Face, lambda face: face.words)
    moments: tuple[tuple[Any, str], ...] = (
        (datetime, "a time such as 2026-05-09T08:30"), (date, "a date such as 2026-05-09"), (time, "a time such as 08:30"),
    )  # fmt: skip
    for moment, example in moments:
        made.register_structure_hook(moment, _moment(moment, example))
        made.register_unstructure_hook(moment, _moment_out)
    made.register_structure_hook(Length, _length_in)
    made.register_unstructure_hook(Length, _length_out)
    return made


_CONVERTER = _converter()


def to_text(project: Project) -> str:
    """Return the project as the text of a file; equal projects give equal text."""
    tree = {"format": FORMAT, "version": VERSION, "project": _CONVERTER.unstructure(project)}
    return json.dumps(tree, indent=2, ensure_ascii=False) + "\n"


def from_text(text: str, path: str) -> Project:
    """Read a project.

    Args:
        text: the text of the file.
        path: its name, for the errors.

    Raises:
        FileNewer: if a newer version wrote it.
        FileFaulty: with every fault that was found.
    """
    tree = read_tree(text, path)
    if not isinstance(tree, dict) or tree.get("format") != FORMAT:
        raise FileFaulty(path, [("", "this is not an Able Box project")], "Choose a file that ends in .ablebox.")
    version = tree.get("version")
    if type(version) is not int or version < 1:
        raise FileFaulty(path, [("version", "is not a whole number above 0")], _REMEDY)
    if version > VERSION:
        fault = f"it was written by a newer Able Box (file version {version}, this program reads up to {VERSION})"
        raise FileNewer(path, [("", fault)], "Open it with the newer program.")
    unknown = sorted(set(tree) - {"format", "version", "project"})
    faults = [(name, "is not known") for name in unknown]
    try:
        project = _CONVERTER.structure(upgraded(tree.get("project"), version), Project)
    except (ClassValidationError, IterableValidationError) as group:
        faults += _listed(group)
    except _Wrong as fault:
        faults.append(("project", str(fault)))
    if not faults:
        faults += too_much(project)
    if faults:
        raise FileFaulty(path, faults, _REMEDY)
    return project


def record_text(record: Any) -> Any:
    """Return any record of a project as plain data, as it stands in files."""
    return _CONVERTER.unstructure(record)


def record_from(tree: Any, kind: Any, path: str) -> Any:
    """Read a record from plain data, as strictly as from a project.

    Raises:
        FileFaulty: with every fault that was found.
    """
    try:
        return _CONVERTER.structure(tree, kind)
    except (ClassValidationError, IterableValidationError) as group:
        raise FileFaulty(path, _listed(group), "Mend these places, or take the file away to start anew.") from None
    except _Wrong as fault:
        raise FileFaulty(path, [("", str(fault))], "Mend this place, or take the file away to start anew.") from None


_REMEDY = "Mend these places, or open the previous version kept beside the file (its name ends in ~)."


def read_tree(text: str, path: str) -> Any:
    """Return the plain data of a JSON text, read within limits.

    Raises:
        FileFaulty: if it is damaged, or holds more than anyone builds.
    """
    count = 0

    def pairs(items: list[tuple[str, Any]]) -> dict[str, Any]:
        nonlocal count
        count += len(items)
        if count > MOST_MEMBERS or len(items) > MOST_IN_ONE:
            raise _Wrong("it holds far more than a project can")
        found: dict[str, Any] = {}
        for name, value in items:
            if name in found:
                raise _Wrong(f"“{shortened(name)}” stands twice in one object")
            found[name] = value
        return found

    def number(digits: str) -> int:
        if len(digits) > MOST_DIGITS:
            raise _Wrong(f"{shortened(digits)} is a number of {len(digits)} digits")
        return int(digits)

    def constant(name: str) -> Any:
        raise _Wrong(f"{name} is not a number")

    try:
        return json.loads(text, object_pairs_hook=pairs, parse_constant=constant, parse_int=number)
    except json.JSONDecodeError as fault:
        place = f"line {fault.lineno}, column {fault.colno}"
        raise FileFaulty(path, [(place, "the text breaks off or is damaged here")], _REMEDY) from None
    except _Wrong as fault:
        raise FileFaulty(path, [("", str(fault))], _REMEDY) from None
    except RecursionError:
        raise FileFaulty(path, [("", "it is nested too deeply to be a project")], _REMEDY) from None


def _listed(group: Any) -> list[tuple[str, str]]:
    faults = []
    for line in transform_error(group, "project", _words):
        words, _, place = line.rpartition(" @ ")
        faults.append((place, words))
    return faults


def _words(fault: BaseException, _: type | None) -> str:
    extra = getattr(fault, "extra_fields", None)
    if extra:
        return f"{shortened(', '.join(sorted(extra)))} is not known"
    if isinstance(fault, (TypeError, AttributeError)):
        return "is not of the right kind"
    return str(fault)
