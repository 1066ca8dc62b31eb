# SPDX-License-Identifier: GPL-3.0-or-later
"""The beam's loop as one function for plain pointers, and its object code, to be kept and loaded without the compiler."""

from __future__ import annotations

from typing import Any

from numba import carray, cfunc, types  # type: ignore[attr-defined]

from .beam_loop import lay

_INTS, _REALS, _SHORT = (types.CPointer(each) for each in (types.int64, types.float64, types.int32))  # type: ignore[no-untyped-call]
_SIGNATURE = types.float64(
    *([types.int64] * 9), types.float64,
    *([_INTS] * 7),
    _INTS, _REALS, _SHORT, _INTS, _REALS, _INTS, _INTS, _SHORT, _SHORT, _INTS,
    *([_INTS] * 5),
)  # fmt: skip


@cfunc(_SIGNATURE, nopython=True, error_model="numpy", cache=True)  # type: ignore[call-arg]
def entry(  # type: ignore[no-untyped-def]
    kinds, sheets, n, depth, room, slots, ways, rows, guide, noise,
    length, width, fixed, count, sheet_length, sheet_width, state,
    front, mass, left, mark, key, move, history, head, chain, sign,
    out_sheet, out_kind, out_x, out_y, out_turned,
):  # fmt: skip
    """Lay all pieces as ``lay`` does; sizes of the arrays come first."""
    return lay(
        carray(length, (kinds,)), carray(width, (kinds,)), carray(fixed, (kinds,)), carray(count, (kinds,)),
        carray(sheet_length, (sheets,)), carray(sheet_width, (sheets,)), ways, rows, depth, guide, noise,
        carray(state, (1,)),
        carray(front, (2, depth, 7)), carray(mass, (2, depth, 4)), carray(left, (2, depth, kinds)),
        carray(mark, (2, depth)), carray(key, (room,)), carray(move, (room,)), carray(history, (n, depth)),
        carray(head, (slots,)), carray(chain, (depth,)), carray(sign, (kinds,)),
        carray(out_sheet, (n,)), carray(out_kind, (n,)), carray(out_x, (n,)), carray(out_y, (n,)), carray(out_turned, (n,)),
    )  # fmt: skip


def object_code() -> tuple[bytes, str, list[str]]:
    """Return the object code, the name of the function in it, and the names it asks for from outside."""
    library: Any = entry._library  # type: ignore[attr-defined]
    _, kind, (code, _) = library.serialize_using_object_code()
    if kind != "object":
        raise ValueError("the compiler keeps no object code")
    module = library._final_module
    named = (*module.functions, *module.global_variables)
    symbols = [str(each.name) for each in named if each.is_declaration]
    outside = [symbol for symbol in symbols if not symbol.startswith("llvm.")]
    return code, entry.native_name, outside
