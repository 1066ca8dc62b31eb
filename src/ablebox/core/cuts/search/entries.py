# SPDX-License-Identifier: GPL-3.0-or-later
"""The compiled loops as functions for plain pointers, and their object code, to be kept and loaded without the compiler."""

from __future__ import annotations

from typing import Any

from numba import carray, cfunc, types  # type: ignore[attr-defined]

from . import beam_loop, fill_loop, fit_loop, pattern_loop
from .stored import SHAPES

_INTS, _REALS, _SHORT = (types.CPointer(each) for each in (types.int64, types.float64, types.int32))  # type: ignore[no-untyped-call]


def _signature(name: str, pointers: list[Any]) -> Any:
    """Return how a loop is called: whole numbers, then real ones, then arrays."""
    ints, reals, arrays = SHAPES[name]
    if len(pointers) != arrays:
        raise ValueError(f"{name} takes {arrays} arrays, not {len(pointers)}")
    return types.float64(*([types.int64] * ints), *([types.float64] * reals), *pointers)


@cfunc(
    _signature("lay", [_INTS] * 8 + [_REALS, _SHORT, _INTS, _REALS, _INTS, _INTS, _SHORT, _SHORT] + [_INTS] * 6),
    nopython=True, error_model="numpy", cache=True,
)  # type: ignore[call-arg]  # fmt: skip
def lay(  # type: ignore[no-untyped-def]
    kinds, sheets, n, depth, room, slots, ways, rows, guide, noise,
    length, width, fixed, count, sheet_length, sheet_width, state,
    front, mass, left, mark, key, move, history, head, chain, sign,
    out_sheet, out_kind, out_x, out_y, out_turned,
):  # fmt: skip
    """Lay all pieces as ``beam_loop.lay`` does; sizes of the arrays come first."""
    return beam_loop.lay(
        carray(length, (kinds,)), carray(width, (kinds,)), carray(fixed, (kinds,)), carray(count, (kinds,)),
        carray(sheet_length, (sheets,)), carray(sheet_width, (sheets,)), ways, rows, depth, guide, noise,
        carray(state, (1,)),
        carray(front, (2, depth, 7)), carray(mass, (2, depth, 4)), carray(left, (2, depth, kinds)),
        carray(mark, (2, depth)), carray(key, (room,)), carray(move, (room,)), carray(history, (n, depth)),
        carray(head, (slots,)), carray(chain, (depth,)), carray(sign, (kinds,)),
        carray(out_sheet, (n,)), carray(out_kind, (n,)), carray(out_x, (n,)), carray(out_y, (n,)), carray(out_turned, (n,)),
    )  # fmt: skip


@cfunc(_signature("fit", [_INTS] * 26 + [_REALS] * 3), nopython=True, error_model="numpy", cache=True)  # type: ignore[call-arg]
def fit(  # type: ignore[no-untyped-def]
    n, slots, loops, smallest, heat, cooling,
    length, width, fixed, slot_length, slot_width, where, at_x, at_y, turned, state,
    best_where, best_x, best_y, best_turned, fx, fy, fl, fw, fs, mine, move, new_where, new_x, new_y, new_turned,
    chosen, area, keys, filled,
):  # fmt: skip
    """Fit pieces into slots as ``fit_loop.fit`` does; sizes of the arrays come first."""
    room = 4 * n + slots + 8
    return fit_loop.fit(
        carray(length, (n,)), carray(width, (n,)), carray(fixed, (n,)), carray(slot_length, (slots,)),
        carray(slot_width, (slots,)), carray(where, (n,)), carray(at_x, (n,)), carray(at_y, (n,)), carray(turned, (n,)),
        loops, heat, cooling, smallest, carray(state, (1,)),
        carray(best_where, (n,)), carray(best_x, (n,)), carray(best_y, (n,)), carray(best_turned, (n,)),
        carray(fx, (room,)), carray(fy, (room,)), carray(fl, (room,)), carray(fw, (room,)), carray(fs, (room,)),
        carray(mine, (n,)), carray(move, (n,)), carray(new_where, (n,)), carray(new_x, (n,)), carray(new_y, (n,)),
        carray(new_turned, (n,)), carray(chosen, (slots,)), carray(area, (n,)), carray(keys, (n,)), carray(filled, (slots,)),
    )  # fmt: skip


@cfunc(_signature("fill", [_INTS] * 26 + [_REALS]), nopython=True, error_model="numpy", cache=True)  # type: ignore[call-arg]
def fill(  # type: ignore[no-untyped-def]
    n, slots, first, last, tries, smallest, lean,
    length, width, fixed, slot_length, slot_width, where, at_x, at_y, turned, state,
    best, best_x, best_y, best_t, fx, fy, fl, fw, fs, left, pool, new_where, new_x, new_y, new_turned, took, worth,
):  # fmt: skip
    """Fill slots as ``fill_loop.fill`` does; sizes of the arrays come first."""
    room = 4 * n + 8
    return fill_loop.fill(
        carray(length, (n,)), carray(width, (n,)), carray(fixed, (n,)), carray(slot_length, (slots,)),
        carray(slot_width, (slots,)), carray(where, (n,)), carray(at_x, (n,)), carray(at_y, (n,)), carray(turned, (n,)),
        first, last, tries, lean, smallest, carray(state, (1,)),
        carray(best, (n,)), carray(best_x, (n,)), carray(best_y, (n,)), carray(best_t, (n,)),
        carray(fx, (room,)), carray(fy, (room,)), carray(fl, (room,)), carray(fw, (room,)), carray(fs, (room,)),
        carray(left, (n,)), carray(pool, (n,)), carray(new_where, (n,)), carray(new_x, (n,)), carray(new_y, (n,)),
        carray(new_turned, (n,)), carray(took, (n,)), carray(worth, (n,)),
    )  # fmt: skip


@cfunc(_signature("worth", [_INTS] * 6), nopython=True, error_model="numpy", cache=True)  # type: ignore[call-arg]
def worth(columns, rows, ways, xs, ys, length, width, price, table):  # type: ignore[no-untyped-def]
    """Say what a pattern is worth as ``pattern_loop.worth`` does; sizes of the arrays come first."""
    return pattern_loop.worth(
        carray(xs, (columns,)), carray(ys, (rows,)), carray(length, (ways,)), carray(width, (ways,)),
        carray(price, (ways,)), carray(table, (columns, rows)),
    )  # fmt: skip


ENTRIES: dict[str, Any] = {"lay": lay, "fit": fit, "fill": fill, "worth": worth}


def object_code(name: str) -> tuple[bytes, str, list[str]]:
    """Return a loop's object code, the name of the function in it, and the names it asks for from outside."""
    entry = ENTRIES[name]
    library: Any = entry._library
    _, kind, (code, _) = library.serialize_using_object_code()
    if kind != "object":
        raise ValueError("the compiler keeps no object code")
    module = library._final_module
    named = (*module.functions, *module.global_variables)
    symbols = [str(each.name) for each in named if each.is_declaration]
    outside = [symbol for symbol in symbols if not symbol.startswith("llvm.")]
    return code, entry.native_name, outside
