# SPDX-License-Identifier: GPL-3.0-or-later
"""``ablebox meter``: a simulated distance meter that speaks the line protocol on standard input and output.

It is as unsteady as a hand, and measures from its rear edge or, like a tape whose body is in the corner, leaves its
own length out.
"""

from __future__ import annotations

import argparse
import sys
from random import Random

from ..core.errors import LengthNotUnderstood, SizeImpossible
from ..core.lengths import ZERO, Length
from ..core.room.meter import MEASURE, QUIT, reply
from ..core.typed import read_length
from ..core.units import System, Units

NAME = "meter"


def add_to(commands: argparse._SubParsersAction[argparse.ArgumentParser]) -> None:
    """Add the command to the command line."""
    parser = commands.add_parser(NAME, help="a simulated distance meter, for trying readings out")
    parser.add_argument(
        "--true",
        metavar="SIZES",
        default="692 mm",
        help="what there is to measure, one after another: 27 1/4 in, 692 mm",
    )
    parser.add_argument("--noise", metavar="MM", default="0.5", help="how unsteady it is, standard deviation in mm")
    parser.add_argument("--body", metavar="SIZE", default="0 mm", help="its own length, left out of what it says")
    parser.add_argument("--seed", type=int, default=1, help="of the noise")


def run(arguments: argparse.Namespace) -> int:
    """Run the meter until its input ends."""
    sizes = [_size(each, "true") for each in arguments.true.split(",")]
    body, noise = _size(arguments.body, "body"), _noise(arguments.noise)
    rng, at = Random(arguments.seed), 0
    print("hello distance meter, simulated", flush=True)
    for line in sys.stdin:
        word = line.strip().lower()
        if word == QUIT:
            break
        if word != MEASURE:
            print(f"error “{word[:30]}” is not a command; say measure or quit", flush=True)
            continue
        true = sizes[at % len(sizes)]
        at += 1
        said = true - body + Length(round(rng.gauss(0.0, noise) * 16_000))
        print(reply(said) if said > ZERO else "error nothing to measure there", flush=True)
    return 0


def _size(text: str, name: str) -> Length:
    try:
        return read_length(text.strip(), Units(System.MM))
    except LengthNotUnderstood as fault:
        raise SizeImpossible(name, str(fault), "Give it with its unit, as in 27 1/4 in.") from None


def _noise(text: str) -> float:
    try:
        noise = float(text)
    except ValueError:
        noise = -1.0
    if not 0 <= noise <= 50:
        raise SizeImpossible("noise", f"“{text}” is not a number from 0 to 50", "Give it in mm, as 0.5.")
    return noise
