# SPDX-License-Identifier: GPL-3.0-or-later
"""Random rooms with random runs in them, as wild as a person could type them."""

from __future__ import annotations

from dataclasses import replace
from random import Random

from ablebox.core.cabinet.kinds import KINDS, starting_case
from ablebox.core.case.end.end_panel import EndPanel
from ablebox.core.case.end.good_face import GoodFace
from ablebox.core.case.end.undecided import Undecided
from ablebox.core.case.frame.face_frame import FaceFrame
from ablebox.core.case.kick_notched import NotchedKick
from ablebox.core.lengths import Length, millimetres
from ablebox.core.project.changes import fitted_stock
from ablebox.core.project.tree import Project, new_project
from ablebox.core.room.backing import Stud
from ablebox.core.room.island import Island
from ablebox.core.room.obstacle import OBSTACLES, Deal, usual
from ablebox.core.room.reading import Method, Reading
from ablebox.core.room.room import Corner, Room, Way
from ablebox.core.room.wall import End, Level, Wall
from ablebox.core.run.space import RunSpace, SpaceKind
from ablebox.core.units import System


def random_wall(rng: Random, name: str) -> Wall:
    """Return a wall with whatever may be on it."""

    def mm(low: int, high: int) -> Length:
        return millimetres(rng.randint(low, high))

    places = ("floor", "top")[: rng.randint(0, 2)]
    obstacles = [
        replace(usual(rng.choice(list(OBSTACLES)), mm(0, 3000)), deal=rng.choice(list(Deal)))
        for _ in range(rng.randint(0, 3))
    ]
    return Wall(
        name,
        tuple(Reading(place, mm(900, 5000), rng.choice(list(Method))) for place in places),
        Reading("ceiling", mm(1900, 2800)) if rng.random() < 0.7 else None,
        Reading("mouth", mm(800, 4000)) if rng.random() < 0.2 else None,
        Reading("up", mm(2000, 5600)) if rng.random() < 0.2 else None,
        Reading("down", mm(2000, 5600)) if rng.random() < 0.2 else None,
        mm(0, 30),
        rng.choice(list(End)),
        rng.choice(list(End)),
        tuple(Level(millimetres(k * 500), mm(-60, 60)) for k in range(rng.randint(0, 3))),
        tuple(Level(millimetres(k * 900), mm(700, 2600)) for k in range(rng.randint(0, 3))),
        tuple(Stud(millimetres(k * 400 + 100)) for k in range(rng.randint(0, 8))),
        tuple(obstacles),
    )


def random_room(rng: Random) -> Project:
    """Return a project with one to three walls, up to six cases and four spaces."""

    def mm(low: int, high: int) -> Length:
        return millimetres(rng.randint(low, high))

    system = rng.choice((System.INCH, System.MM))
    project = new_project(system)
    walls = tuple(random_wall(rng, f"W{i}") for i in range(rng.randint(1, 3)))
    cases = []
    for i in range(rng.randint(1, 6)):
        case = replace(
            starting_case(chr(ord("A") + i), rng.choice(list(KINDS)), system),
            wall=rng.randint(1, len(walls)),
            in_alcove=rng.random() < 0.85,
            turned=rng.choice((0, 0, 0, 1)),
            copies=rng.choice((1, 1, 2)),
            left_seen=rng.choice((Undecided(), GoodFace(), EndPanel())),
            right_seen=rng.choice((Undecided(), GoodFace(), EndPanel())),
        )
        if isinstance(case.kick, NotchedKick) and rng.random() < 0.3:
            case = replace(case, kick=replace(case.kick, carried=True))
        if rng.random() < 0.2:
            case = replace(case, frame=FaceFrame(follow=True))
        cases.append(fitted_stock(project, replace(case, follows=case.in_alcove and rng.random() < 0.3)))
    spaces = []
    for _ in range(rng.randint(0, 4)):
        kind, before = rng.choice(list(SpaceKind)), rng.choice(["", *(case.letter for case in cases)])
        width = None if rng.random() < 0.4 else mm(20, 700)
        goods = "case" if kind is SpaceKind.FILLER else ""
        sizes = mm(300, 900), mm(20, 600), mm(0, 5), mm(0, 50), mm(0, 300)
        wall = rng.randint(1, len(walls))
        spaces.append(RunSpace(wall, before, kind, kind.words, width, *sizes, rng.random() < 0.3, goods))
    ways = [
        Way("door", mm(600, 900), mm(1900, 2100), mm(700, 2000) if rng.random() < 0.5 else None)
        for _ in range(rng.randint(0, 2))
    ]
    corners = [
        Corner(rng.randint(1, len(walls)), millimetres(600), millimetres(800), mm(950, 1050))
        for _ in range(rng.randint(0, 1))
    ]
    if len(walls) > 1 and rng.random() < 0.3:
        island = Wall(
            "Island", left=End.OPEN, right=End.OPEN, island=Island(mm(0, 900), mm(0, 2500), rng.random() < 0.5)
        )
        walls = (*walls[:-1], island)
    room = Room(walls, mm(60, 90), tuple(ways), tuple(corners))
    return replace(project, room=room, cases=tuple(cases), spaces=tuple(spaces))
