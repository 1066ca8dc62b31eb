# SPDX-License-Identifier: GPL-3.0-or-later
"""Keeps the object code of the beam's loop and loads it again without the compiler, in a few hundredths of a second.

It is kept beside the compiled modules, under a name made from everything it depends on: the sources, Python, the
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
from typing import Any

import llvmlite.binding as llvm

_HERE = Path(__file__).parent
#: Functions of the compiler's runtime that only its error paths name: the loop raises nothing and allocates nothing.
#: When the compiler is loaded afterwards it puts its own in their place.
_NEVER = ("numba_", "NRT_")
_SIZES, _POINTERS = 9, 22
_ABORT = ctypes.CFUNCTYPE(None)(os.abort)
#: What must live as long as the loop.
_ALIVE: list[Any] = []

#: Lays pieces: sizes, noise, then arrays.
Entry = Callable[..., float]


def function(address: int) -> Entry:
    """Return the loop at an address as a function."""
    kinds = [ctypes.c_int64] * _SIZES + [ctypes.c_double] + [ctypes.c_void_p] * _POINTERS
    return ctypes.CFUNCTYPE(ctypes.c_double, *kinds)(address)


def load() -> Entry | None:
    """Return the loop from the object code that is kept; ``None`` if there is none for this machine."""
    # Whatever is wrong with what was kept, the compiler is the way back.
    with contextlib.suppress(OSError, ValueError, KeyError, RuntimeError):
        return _load(_path())
    return None


def _load(kept: Path) -> Entry | None:
    if not kept.exists():
        return None
    text, _, code = kept.read_bytes().partition(b"\n")
    told = json.loads(text)
    if hashlib.sha256(code).hexdigest() != told["hash"]:
        return None
    llvm.initialize_native_target()
    llvm.initialize_native_asmprinter()
    for name in told["outside"]:
        if llvm.address_of_symbol(name) is None:
            llvm.add_symbol(name, _address(name))
    machine = llvm.Target.from_default_triple().create_target_machine()
    engine = llvm.create_mcjit_compiler(llvm.parse_assembly(""), machine)
    engine.add_object_file(llvm.ObjectFileRef.from_data(code))
    engine.finalize_object()
    address = engine.get_function_address(told["name"])
    _ALIVE.extend((machine, engine))
    return function(address) if address else None


def _address(name: str) -> int:
    """Return the address of what is named from outside.

    Raises:
        ValueError: if nobody has it.
    """
    if name.startswith(_NEVER):
        return ctypes.cast(_ABORT, ctypes.c_void_p).value or 0
    return ctypes.addressof(ctypes.c_void_p.in_dll(ctypes.pythonapi, name))


def keep(code: bytes, name: str, outside: list[str]) -> None:
    """Keep object code for the next time, if it is not kept yet; those of older sources go.

    Args:
        code: the object code.
        name: of the function in it.
        outside: names it asks for from outside.
    """
    kept = _path()
    if kept.exists():
        return
    told = {"name": name, "outside": outside, "hash": hashlib.sha256(code).hexdigest()}
    with contextlib.suppress(OSError):
        kept.parent.mkdir(parents=True, exist_ok=True)
        handle, temporary = tempfile.mkstemp(dir=kept.parent)
        with os.fdopen(handle, "wb") as stream:
            stream.write(json.dumps(told).encode() + b"\n" + code)
        Path(temporary).replace(kept)
        for old in kept.parent.glob("ablebox-beam-*.o"):
            if old != kept:
                old.unlink(missing_ok=True)


def _path() -> Path:
    """Return where the object code is kept: beside the compiled modules, or with the user's caches."""
    told = [(_HERE / name).read_bytes() for name in ("beam_loop.py", "beam_entry.py")]
    features = ",".join(f"{name}{on}" for name, on in sorted(llvm.get_host_cpu_features().items()))
    told.append(f"{sys.version} {llvm.llvm_version_info} {llvm.get_host_cpu_name()} {features}".encode())
    beside = _HERE / "__pycache__"
    if not os.access(beside if beside.exists() else _HERE, os.W_OK):
        caches = os.environ.get("XDG_CACHE_HOME") or Path.home() / ".cache"
        beside = Path(caches) / "ablebox"
    return beside / f"ablebox-beam-{hashlib.sha256(b'|'.join(told)).hexdigest()[:24]}.o"
