# SPDX-License-Identifier: GPL-3.0-or-later
"""Steps in the room in words: what is brought, packed, screwed and looked at, with the numbers in it."""

from __future__ import annotations

from collections import Counter
from collections.abc import Iterable, Iterator, Sequence

from ..assembly.fastener import FastenerKind
from ..assembly.role import PartKind
from ..bench.driven import driven
from ..bench.step import Step
from ..bench.verb import What
from ..fit.before import Line
from ..fit.carried import lift, passes
from ..fit.fillers import Gap, gap_of, open_ends
from ..fit.fit import Fit
from ..fit.links import anchors_of, into_neighbours_stile, links_of, shims_of
from ..fit.shims import Shim
from ..fit.tipping import why
from ..fit_book import GAP_HIGH, GAP_LOW, LEVEL, PLUMB
from ..lengths import ZERO, Length
from ..parts.words import named
from ..project.placed import FILLER, STRIP
from ..room.obstacle import Trade
from ..shop.anchor import Anchor, Holds
from ..ways.way import Move
from .way_words import listed, moves_words

TITLES = {
    What.BEFORE: "before carrying in", What.LINE: "level line", What.WALL_RAILS: "wall rails", What.STAND: "stand it",
    What.HANG_UP: "hang it", What.SCRIBE: "scribe filler", What.TRIM: "trims", What.ADJUST: "adjust fronts", What.LOOK: "last look",
}  # fmt: skip
TOOLS = {
    What.BEFORE: "flat bar, tape, pencil, drill with a thin bit", What.LINE: "laser or water level, pencil",
    What.WALL_RAILS: "level, drill, driver", What.STAND: "level, shims, clamps, drill, driver",
    What.HANG_UP: "ledge or prop, level, clamps, driver", What.SCRIBE: "block and pencil, saw, plane, drill, driver", What.TRIM: "mitre saw, nailer or driver",
    What.ADJUST: "screwdriver", What.LOOK: "eyes and hands, level",
}  # fmt: skip
#: The way in that needs no word: straight back to the wall.
_STRAIGHT_IN = Move(1, 1)
#: What runs behind studs, and what is behind the ribs of a vehicle (common practice).
_SKIN = "Behind a rib are skin, tank and wires: measure how deep it is, set a stop on the bit, take no screw that is longer."
_WIRES = "The screw goes farther than 1 1/4 behind the stud’s face or may: wires and pipes can run there. Look first, power off."


def done(fit: Fit, letter: str, step: Step, codes: Sequence[str], on_base: bool = False) -> Iterator[str]:
    """Return what is done at a step in the room, line by line."""
    return (text for _, text in lines(fit, letter, step, codes, on_base))


def lines(
    fit: Fit, letter: str, step: Step, codes: Sequence[str], on_base: bool = False, sums: bool = True
) -> list[tuple[str, str]]:
    """Return what is done at a step in the room, each line with what it is ticked by.

    Args:
        fit: the fitting.
        letter: of the case, or what else it is about.
        step: the step.
        codes: of the parts it is about.
        on_base: whether it stands on a base that was set before.
        sums: whether screws into the wall say why they are so long; ``screw_sums`` says it once for all.
    """
    if step.what is What.BEFORE:
        return [(line.key, line_words(line)) for line in fit.before]
    found: list[tuple[str, str]] = []
    seen: Counter[str] = Counter()
    for text in _said(fit, letter, step, codes, on_base, sums):
        key, words = text if isinstance(text, tuple) else ("do", text)
        seen[key] += 1
        found.append((f"{letter}/{step.key}.{key}" + (f".{seen[key]}" if seen[key] > 1 or key == "do" else ""), words))
    return found


#: What is done, with what it is known by where it is looked for again.
_Said = str | tuple[str, str]


def _said(fit: Fit, letter: str, step: Step, codes: Sequence[str], on_base: bool, sums: bool) -> Iterator[_Said]:
    match step.what:
        case What.LINE:
            yield from _line(fit)
        case What.WALL_RAILS:
            yield f"Screw {listed(codes)} to the wall, level, a screw at each stud they cross."
            yield from _screws([a for a in fit.anchors if a.letter == STRIP], fit, sums)
        case What.STAND:
            yield from _stand(fit, letter, codes, on_base, sums)
        case What.HANG_UP:
            yield from _hang(fit, letter, codes, sums)
        case What.SCRIBE:
            for text in dict.fromkeys(role.partition(".")[0] for role in step.roles):
                yield from _filler(fit, gap_of(fit, int(text)), codes)
            for name, count in Counter(each.name for each in driven(fit, letter, step)).items():
                yield "screw", f"{count} × {named(count, name)} through the case’s side."
        case What.TRIM:
            yield f"Cut {listed(codes)} to what is there, mitre their corners, and put them up last."
        case What.ADJUST:
            yield "Put back what was taken off, by its numbers."
            yield "Doors: side to side by the front screw of the arm, in and out by the rear one, up and down by the plate; then drawer fronts by their shims."
            yield "Then stops and bumpers."
        case What.LOOK:
            yield "Pull at every anchor by hand, run every drawer in and out, open every door all the way."
            yield "Kick boards on, caps on screws, what is still open into the log."
            yield "Load nothing before glue and finish have cured."


def line_words(line: Line) -> str:
    """Return a line of the list of before carrying in, with who does it."""
    return f"{line.words} ({line.who.value})" if line.who is not Trade.OWN else line.words


def _line(fit: Fit) -> Iterator[str]:
    write = fit.made.units.write
    for each in fit.lines:
        room = fit.made.rooms[each.wall - 1]
        if not each.read:
            yield f"{room.wall.name}: read the floor under the run, strike the line from its highest point."
            continue
        along, out = each.highest
        yield (
            f"{room.wall.name}: the floor is highest {write(along)} from the left and {write(out)} out; strike the line from there. "
            f"It falls {write(each.fall)} under the run."
        )
    heights = {case.hang for case in fit.made.project.cases if case.is_hung and fit.entry(case.letter) is not None}
    for height in sorted(heights):
        yield f"Mark {write(height)} over it: lower edge of what hangs."


def carried(fit: Fit, letter: str) -> Iterator[str]:
    """Return how a case is carried in: its weight, who lifts it, and every place it passes."""
    made = fit.made
    how = lift(made, letter)
    bare = ", doors, drawers and shelves out" if how.bare else ""
    people = {1: "one lifts it", 2: "two lift it", 3: "three lift it"}[how.hands]
    yield f"{made.units.weigh(how.kg)}{bare}: {people}."
    room = made.rooms[made.project.case(letter).wall - 1].wall.room
    for each in passes(made, letter, room):
        if each.goes:
            off = ", doors off" if each.bare else ""
            yield f"Through the {each.way.name} with {made.units.write(each.spare)} to spare{off}."
    yield "Clear the way, protect the floor."


def _stand(fit: Fit, letter: str, codes: Sequence[str], on_base: bool, sums: bool) -> Iterator[_Said]:
    made, entry = fit.made, fit.entry(letter)
    assert entry is not None
    case = made.project.case(letter)
    if codes:
        yield "out", f"Out of it meanwhile: {listed(codes)}."
    if case.on is not None:
        below = f"case {case.on.letter}" if case.on.letter else f"the {made.project.spaces[case.on.space - 1].name}"
        far = f"{made.units.write(case.on.along)} from" if case.on.along else "flush with"
        yield "on", f"Set it on {below}, {far} its left end."
    elif on_base:
        yield "base", "It stands on the base that is set and levelled already; screws hold it to that."
    else:
        yield from packed(fit, letter)
    if entry.against and entry.off:
        yield (
            "against",
            f"{made.units.write(entry.off)} off {entry.against}, for what stands between them; faces in one line.",
        )
    elif entry.against:
        bolts = any(
            each.fastener.kind is FastenerKind.BOLT and each.fastener.through[0].kind is PartKind.SIDE
            for _, each in links_of(fit, letter)
        )
        how = "drilled right through both sides and bolted" if bolts else "screwed"
        yield "against", f"Hard against {entry.against}, faces clamped flush, then {how} together."
    elif case.on is None:
        yield (
            "begin",
            {
                "corner": "It begins in the corner: plumb both ways, everything else follows from it.",
                "appliance": "It begins beside what has its fixed place.",
                "wall": "It begins at the wall: plumb, with its filler’s room left.",
                "free": "It begins the run: square to the wall.",
                "way": "It goes in first: once the others stand there is no way in for it.",
            }[entry.first or "free"],
        )
    if entry.way and (len(entry.way) > 1 or entry.way[0] != _STRAIGHT_IN):
        yield "way", f"It comes in {moves_words(entry.way)}: what stands beside it laps it."
    yield from _leaning(fit, letter)
    yield from _joined_to(fit, letter)
    yield from _screws(anchors_of(fit, letter), fit, sums)
    if not anchors_of(fit, letter) and (reason := why(made, case)):
        yield "tie", f"It must be tied to something: {reason}."
    if case.fronts is not None and made.assembly(letter).fronts:
        yield "door", "Hang a door loose: even gaps, or move a shim."


def packed(fit: Fit, letter: str) -> Iterator[tuple[str, str]]:
    """Return what is packed under a case or its base."""
    rows = shims_of(fit, letter)
    write = fit.made.units.write
    packed = [row for row in rows if row.thickness > ZERO]
    if not rows:
        return
    if not packed:
        yield "pack", "It stands on the floor as it is." if not rows[0].is_foot else "Its feet as they are set."
        return
    words = ", ".join(f"{where} {write(thick)}" for where, thick in places(fit, packed))
    yield "pack", f"{'Turn its feet out' if rows[0].is_foot else 'Pack it'}: {words}."


def places(fit: Fit, rows: Sequence[Shim]) -> Iterator[tuple[str, Length]]:
    """Return where something is packed, and by how much; what is the same in front and behind once."""
    write = fit.made.units.write
    by_side: dict[Length, list[Shim]] = {}
    for row in rows:
        by_side.setdefault(row.at[0], []).append(row)
    for mine in by_side.values():
        first = place_words(fit, mine[0])
        if len(mine) > 1 and len({write(row.thickness) for row in mine}) == 1:
            yield (
                first.partition(" ")[2]
                if " " in first and "," not in first
                else f"{write(mine[0].at[0])} from the left",
                mine[0].thickness,
            )
        else:
            yield from ((place_words(fit, row), row.thickness) for row in mine)


def place_words(fit: Fit, shim: Shim) -> str:
    """Return where something is packed: front or back, left or right of what stands there, or so far from the left."""
    rows = shims_of(fit, shim.letter)
    places = [row.at[0] for row in rows]
    deep = [row.at[1] for row in rows]
    depth = "front" if (shim.at[1] - min(deep)).ticks * 2 <= (max(deep) - min(deep)).ticks else "back"
    wide = (max(places) - min(places)).ticks
    along = (shim.at[0] - min(places)).ticks
    if along * 8 <= wide:
        return f"{depth} left"
    if along * 8 >= wide * 7:
        return f"{depth} right"
    return f"{depth}, {fit.made.units.write(shim.at[0])} from the left,"


def _hang(fit: Fit, letter: str, codes: Sequence[str], sums: bool) -> Iterator[_Said]:
    made, entry = fit.made, fit.entry(letter)
    assert entry is not None
    case = made.project.case(letter)
    if codes:
        yield "out", f"Out of it meanwhile: {listed(codes)}."
    yield "ledge", f"A ledge on the wall or a prop carries it at {made.units.write(case.hang)} over the level line."
    if entry.against and entry.off:
        yield "against", f"{made.units.write(entry.off)} off {entry.against}, for what is between them."
    elif entry.against:
        yield "against", f"Hard against {entry.against}, faces clamped flush."
    yield from _leaning(fit, letter)
    screws = anchors_of(fit, letter)
    if screws:
        yield "first", "First screw through the upper rail, level it, then the others."
    yield from _screws(screws, fit, sums)
    yield from _joined_to(fit, letter)


def _leaning(fit: Fit, letter: str) -> Iterator[_Said]:
    write = fit.made.units.write
    for end in open_ends(fit, letter):
        yield (
            "lean",
            f"The wall at its {end.side} leans: {write(end.low)} open at its foot and {write(end.high)} at its top; scribe that end as a taper, or cover it.",
        )


def _joined_to(fit: Fit, letter: str) -> Iterator[_Said]:
    rows: dict[str, Counter[str]] = {}
    for other, each in links_of(fit, letter):
        rows.setdefault(other, Counter())[each.fastener.name] += 1
    for other, counts in rows.items():
        told = ", ".join(f"{count} × {named(count, name)}" for name, count in counts.items())
        yield "join", f"To {'its filler' if other == FILLER else other}: {told}."


def shared_stile(fit: Fit, letter: str) -> Iterator[str]:
    """Say what joins a case's frame to a stile that is its neighbour's."""
    rows = Counter(each.name for each in into_neighbours_stile(fit, letter))
    for name, count in rows.items():
        yield (
            f"{count} × {named(count, name)} into the stile its neighbour has for both, now, while their backs are reached: both frames are one from here "
            "on; let the cases stand side by side when it goes on, or carry them in as one."
        )


def screw_sums(fit: Fit) -> list[str]:
    """Return why the screws into walls are so long, those of one sum once for all cases."""
    found: dict[str, set[str]] = {}
    for each in fit.anchors:
        sentence = f"{named(2, each.fastener.name)} into {each.holds.words}: {_why(each, fit)}"
        found.setdefault(sentence, set()).add("" if each.letter == STRIP else each.letter)
    return [f"{', '.join(sorted(filter(None, letters)))}: {text}".removeprefix(": ") for text, letters in found.items()]


def _why(anchor: Anchor, fit: Fit) -> str:
    return f"{anchor.fastener.why}; {fit.made.units.write(anchor.goes, True)} goes in."


def _screws(anchors: Sequence[Anchor], fit: Fit, sums: bool) -> Iterator[_Said]:
    write = fit.made.units.write
    rows: dict[tuple[str, Holds, int], list[Anchor]] = {}
    for each in anchors:
        rows.setdefault((each.fastener.name, each.holds, each.axis), []).append(each)
    for (name, holds, axis), mine in rows.items():
        along = 1 if axis == 0 else 0
        places = sorted({each.fastener.head[along] for each in mine})
        at = " and ".join(write(Length(x)) for x in places)
        if len(places) > 3:
            at = f"{write(Length(places[0]))} to {write(Length(places[-1]))}"
        many = "s" if len(places) > 1 and holds is Holds.STUD else ""
        of = " of the wall round the corner" if axis == 0 else ""
        why = f": {_why(mine[0], fit)}" if sums else "."
        yield (
            "screw",
            f"{len(mine)} × {named(len(mine), name)} into {holds.words}{many}{of}, {at} from its {'front' if axis == 0 else 'left side'}{why}",
        )


def _filler(fit: Fit, gap: Gap, codes: Sequence[str]) -> Iterator[str]:
    write = fit.made.units.write
    yield f"Measure the gap at the floor and at the top; {listed(codes)} is cut wider and scribed."
    if gap.measured:
        yield f"As measured: {write(gap.low)} at the floor, {write(gap.high)} at the top: a taper of {write(abs(gap.high - gap.low))}."
    elif gap.low != gap.high:
        yield f"The wall leans: about {write(gap.low)} at the floor and {write(gap.high)} at the top."
    yield "Plumb against it, draw the wall with a block, cut and plane to the line."


def cautions(fit: Fit, what: What, letters: Iterable[str]) -> Iterator[str]:
    """Return what to heed at a step in the room."""
    match what:
        case What.BEFORE:
            yield "Power off and tested before an outlet is touched; wiring, gas and water are for licensed trades; local codes decide."
            yield "Old paint may hold lead, old floors and boards asbestos: have them tested before they are sanded or broken."
        case What.STAND | What.HANG_UP:
            yield "Lift with straight backs; nobody stands under what is not screwed yet."
            mine = [anchor for letter in letters for anchor in anchors_of(fit, letter)]
            if any(anchor.by_wires for anchor in mine):
                yield _WIRES
            if any(anchor.holds in (Holds.RIB, Holds.INSERT) for anchor in mine):
                yield _SKIN
            if mine:
                yield "Structural or cabinet screws only: never those for boards of plaster, never hollow-wall plugs."
        case What.WALL_RAILS:
            yield _WIRES
        case What.SCRIBE | What.TRIM:
            yield "Mask for dust, glasses; the saw’s guard stays on."


#: What is asked for in the room: in a few words, and from where to where it is read.
_ASKED = (
    (LEVEL, "out of level", "left to right"), (PLUMB, "out of plumb", "over its height"), (GAP_LOW, "gap at the floor", ""),
    (GAP_HIGH, "gap at the top", ""),
)  # fmt: skip
#: Said once where the few words alone stand.
READ = "level is read from left to right, plumb over a case’s height"


def asked(key: str, short: bool = False) -> str:
    """Return what is asked for in the room in words.

    Args:
        key: of the number.
        short: whether from where to where it is read is told elsewhere, see ``READ``.
    """
    for end, words, over in _ASKED:
        if key.endswith(end):
            return f"{words}, {over}" if over and not short else words
    return key


def checked(what: What) -> str:
    """Return what is looked at in the end."""
    return {
        What.STAND: "level both ways, plumb, face in line",
        What.HANG_UP: "level, plumb, face in line",
        What.LINE: "back where it began",
    }.get(what, "")
