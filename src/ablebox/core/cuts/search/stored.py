# SPDX-License-Identifier: GPL-3.0-or-later
"""Keeps the object code of the loops and loads it again without the compiler, in a few hundredths of a second.

Each is kept beside the compiled modules, under a name made from everything it depends on: the sources, Python, the
libraries that compiled it and the processor. Where it cannot be had, the compiler is the way back.
"""

from __future__ import annotations

import contextlib
import ctypes
import hashlib
import json
import os
import sys
import tempfile
from collections.abc import Callable
from pathlib import Path
from typing import Any, NamedTuple

import llvmlite.binding as llvm

_HERE = Path(__file__).parent
#: Functions of the compiler's runtime that only its error paths name: the loop raises nothing and allocates nothing.
#: When the compiler is loaded afterwards it puts its own in their place.
_NEVER = ("numba_", "NRT_")
#: The loops, and how many whole numbers, real numbers and arrays each takes.
SHAPES = {"lay": (9, 1, 22), "fit": (4, 2, 29), "fill": (6, 1, 27), "worth": (3, 0, 6)}
_SOURCES = (
    "beam_loop.py",
    "fit_loop.py",
    "fill_loop.py",
    "pattern_loop.py",
    "free_rectangles.py",
    "chance.py",
    "ordering.py",
    "entries.py",
)
_ABORT = ctypes.CFUNCTYPE(None)(os.abort)
#: What must live as long as the loops.
_ALIVE: list[Any] = []

#: A loop: whole numbers, real numbers, then arrays.
Entry = Callable[..., float]


class Loops(NamedTuple):
    """The compiled loops; what each takes is told where it is written."""

    #: Lays pieces by beam search.
    lay: Entry
    #: Fits pieces into given slots.
    fit: Entry
    #: Fills slots one after another.
    fill: Entry
    #: Says what the most precious pattern is worth.
    worth: Entry


def function(name: str, address: int) -> Entry:
    """Return the loop at an address as a function."""
    ints, reals, arrays = SHAPES[name]
    kinds = [ctypes.c_int64] * ints + [ctypes.c_double] * reals + [ctypes.c_void_p] * arrays
    return ctypes.CFUNCTYPE(ctypes.c_double, *kinds)(address)


def load() -> Loops | None:
    """Return the loops from the object code that is kept; ``None`` if it is not all there for this machine."""
    # Whatever is wrong with what was kept, the compiler is the way back.
    with contextlib.suppress(OSError, ValueError, KeyError, RuntimeError):
        made = machine()
        found = [_load(name, _path(name, made)) for name in SHAPES]
        return Loops(*[loop for loop in found if loop is not None]) if all(found) else None
    return None


def machine() -> str:
    """Return what the object code is made for and by: sources, Python, compiler, processor."""
    told = [(_HERE / name).read_bytes() for name in _SOURCES]
    features = ",".join(f"{name}{on}" for name, on in sorted(llvm.get_host_cpu_features().items()))
    told.append(f"{sys.version} {llvm.llvm_version_info} {llvm.get_host_cpu_name()} {features}".encode())
    return hashlib.sha256(b"|".join(told)).hexdigest()[:24]


def _load(name: str, kept: Path) -> Entry | None:
    if not kept.exists():
        return None
    text, _, code = kept.read_bytes().partition(b"\n")
    told = json.loads(text)
    if hashlib.sha256(code).hexdigest() != told["hash"]:
        return None
    llvm.initialize_native_target()
    llvm.initialize_native_asmprinter()
    for outside in told["outside"]:
        if llvm.address_of_symbol(outside) is None:
            llvm.add_symbol(outside, _address(outside))
    target = llvm.Target.from_default_triple().create_target_machine()
    engine = llvm.create_mcjit_compiler(llvm.parse_assembly(""), target)
    engine.add_object_file(llvm.ObjectFileRef.from_data(code))
    engine.finalize_object()
    address = engine.get_function_address(told["name"])
    _ALIVE.extend((target, engine))
    return function(name, address) if address else None


def _address(name: str) -> int:
    """Return the address of what is named from outside.

    Raises:
        ValueError: if nobody has it.
    """
    if name.startswith(_NEVER):
        return ctypes.cast(_ABORT, ctypes.c_void_p).value or 0
    return ctypes.addressof(ctypes.c_void_p.in_dll(ctypes.pythonapi, name))


def keep(loop: str, code: bytes, name: str, outside: list[str]) -> None:
    """Keep object code for the next time, if it is not kept yet; those of older sources go.

    Args:
        loop: which it is.
        code: the object code.
        name: of the function in it.
        outside: names it asks for from outside.
    """
    kept = _path(loop, machine())
    if kept.exists():
        return
    told = {"name": name, "outside": outside, "hash": hashlib.sha256(code).hexdigest()}
    with contextlib.suppress(OSError):
        kept.parent.mkdir(parents=True, exist_ok=True)
        handle, temporary = tempfile.mkstemp(dir=kept.parent)
        with os.fdopen(handle, "wb") as stream:
            stream.write(json.dumps(told).encode() + b"\n" + code)
        Path(temporary).replace(kept)
        for old in kept.parent.glob(f"ablebox-{loop}-*.o"):
            if old != kept:
                old.unlink(missing_ok=True)


def _path(loop: str, made: str) -> Path:
    """Return where object code is kept: beside the compiled modules, or with the user's caches."""
    beside = _HERE / "__pycache__"
    if not os.access(beside if beside.exists() else _HERE, os.W_OK):
        caches = os.environ.get("XDG_CACHE_HOME") or Path.home() / ".cache"
        beside = Path(caches) / "ablebox"
    return beside / f"ablebox-{loop}-{made}.o"
