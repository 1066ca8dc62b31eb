# SPDX-License-Identifier: GPL-3.0-or-later
"""Which code each piece has: a fact given out once, kept by the project, not a derived thing.

A place in the design keeps its code whatever is added, removed or measured elsewhere. New numbers go to new parts only, and no
number is given out twice while it is in the register or on anything printed, exported or cut. When equal parts become unequal,
those of them that are cut keep the code, else the first by place.
"""

from __future__ import annotations

from collections import defaultdict
from collections.abc import Container, Iterable, Mapping
from dataclasses import dataclass, replace

from .listing import Part, place_of


@dataclass(frozen=True, slots=True)
class Coded:
    """Parts with the codes they have been given.

    Args:
        parts: the parts, those of each case in the order of their codes.
        register: the name of every piece, its number always with it, by its place; what is gone keeps its name.
    """

    parts: list[Part]
    register: dict[str, str]


def coded(
    parts: Iterable[Part],
    register: Mapping[str, str],
    given: Mapping[str, int],
    done: Container[str],
    heads: Container[str],
) -> Coded:
    """Give parts the codes they have, and new ones new codes.

    Args:
        parts: the parts as listed, numbered anew.
        register: the names given out so far.
        given: codes on anything printed or exported, each with the highest number of its pieces.
        done: places of pieces that are cut.
        heads: what the places of cases that are there begin with; the names of others are given up.
    """
    kept = {place: _split(name) for place, name in register.items() if place.partition("/")[0] in heads}
    by_head: dict[str, list[Part]] = {}
    for part in parts:
        by_head.setdefault(part.case, []).append(part)
    found: list[Part] = []
    for head, own in by_head.items():
        found += _of_head(head, own, kept, given, done)
    names = {place: f"{code}.{number}" for place, (code, number) in kept.items()}
    return Coded(found, names)


def _of_head(
    head: str, parts: list[Part], kept: dict[str, tuple[str, int]], given: Mapping[str, int], done: Container[str]
) -> list[Part]:
    claims = _claims(parts, kept, done)
    used = {number_of(code) for code, _ in kept.values() if code.partition("-")[0] == head}
    used |= {number_of(code) for code in given if code.partition("-")[0] == head}
    last, found = max(used, default=0), []
    for i, part in enumerate(parts):
        groups: dict[str, list[str]] = defaultdict(list)
        own = {role: claims[i, role] for role in part.roles if (i, role) in claims}
        first = min(own.values(), key=number_of, default="")
        if not first:
            last += 1
            first = f"{head}-{last:02d}"
        for role in part.roles:
            groups[own.get(role, first)].append(role)
        found += [replace(part, code=code, roles=tuple(roles)) for code, roles in groups.items()]
    return [_numbered(part, kept, given) for part in sorted(found, key=lambda part: number_of(part.code))]


def _claims(parts: list[Part], kept: Mapping[str, tuple[str, int]], done: Container[str]) -> dict[tuple[int, str], str]:
    """Return the code each role of each part keeps: where several parts have one, only one of them does."""
    wanted: dict[str, list[tuple[int, str]]] = defaultdict(list)
    for i, part in enumerate(parts):
        for role in part.roles:
            names = (kept.get(place_of(part.case, role, k)) for k in range(1, part.copies + 1))
            name = next((name for name in names if name is not None), None)
            if name is not None:
                wanted[name[0]].append((i, role))
    found: dict[tuple[int, str], str] = {}
    for code, claimed in wanted.items():
        cut = [i for i, role in claimed if _is_cut(parts[i], role, done)]
        keeps = cut[0] if cut else claimed[0][0]
        found |= {(i, role): code for i, role in claimed if i == keeps}
    return found


def _is_cut(part: Part, role: str, done: Container[str]) -> bool:
    return any(place_of(part.case, role, k) in done for k in range(1, part.copies + 1))


def _numbered(part: Part, kept: dict[str, tuple[str, int]], given: Mapping[str, int]) -> Part:
    """Number the pieces of a part: each keeps its number, new ones go on behind the last one given out."""
    last = max([given.get(part.code, 0), *(number for code, number in kept.values() if code == part.code)])
    numbers = []
    for place in part.places:
        code, number = kept.get(place, ("", 0))
        if code != part.code:
            last += 1
            number = last
            kept[place] = part.code, number
        numbers.append(number)
    fresh = bool(given) and any(number > given.get(part.code, 0) for number in numbers)
    return replace(part, numbers=tuple(numbers), fresh=fresh)


def code_at(parts: Iterable[Part], place: str) -> str:
    """Return the code of the part one of whose pieces has a place; empty if there is none."""
    return next((part.code for part in parts if place in part.places), "")


def number_of(code: str) -> int:
    """Return the number within a code."""
    return int(code.partition("-")[2])


def _split(name: str) -> tuple[str, int]:
    code, _, number = name.rpartition(".")
    return code, int(number)


def given_out(parts: Iterable[Part], before: Mapping[str, int]) -> dict[str, int]:
    """Return the codes that are on paper once these parts are, each with the highest number of its pieces."""
    found = dict(before)
    for part in parts:
        found[part.code] = max(found.get(part.code, 0), *part.numbers)
    return found
