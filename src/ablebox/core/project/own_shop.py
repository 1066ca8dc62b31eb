# SPDX-License-Identifier: GPL-3.0-or-later
"""What a person keeps across projects: the stock rack, and ways of building by name.

One JSON file in the user's data folder, read as strictly as a project and written whole or not
at all.
"""

from __future__ import annotations

import json
from collections.abc import Mapping
from dataclasses import dataclass, field, replace
from pathlib import Path
from typing import Any

from ..days.book import DaysBook
from ..errors import FileFaulty, FileNotWritten
from ..stock import Rack
from ..whole_file import write_whole
from .construction import Construction
from .json_format import read_tree, record_from, record_text
from .upgrades import upgraded_shop

FORMAT, VERSION = "ablebox-shop", 11


@dataclass(frozen=True, slots=True)
class OwnShop:
    """The user's own shop.

    Args:
        rack: the stock rack new projects start with; ``None`` for the usual one.
        presets: ways of building by name.
        days: hours, noise, warmth, glue and rates new projects start with; ``None`` for the usual ones.
    """

    rack: Rack | None = None
    presets: Mapping[str, Construction] = field(default_factory=dict)
    days: DaysBook | None = None

    def with_preset(self, name: str, way: Construction) -> OwnShop:
        """Return the shop with a way of building kept by name, in the place of an older one of that name."""
        return replace(self, presets={**self.presets, name: way})

    def without_preset(self, name: str) -> OwnShop:
        """Return the shop without a way of building."""
        return replace(self, presets={n: way for n, way in self.presets.items() if n != name})


def load_shop(path: Path) -> OwnShop:
    """Read the user's own shop; an empty one if there is no file yet.

    Raises:
        FileFaulty: if the file is damaged.
    """
    if not path.is_file():
        return OwnShop()
    remedy = "Mend the file, or take it away to start anew."
    try:
        tree: Any = read_tree(path.read_text(encoding="utf-8-sig"), str(path))
    except FileFaulty as fault:
        raise FileFaulty(str(path), list(fault.faults), remedy) from None
    except OSError as fault:
        raise FileFaulty(str(path), [("", (fault.strerror or "it cannot be read").lower())], remedy) from None
    except ValueError:
        raise FileFaulty(str(path), [("", "the text breaks off or is damaged")], remedy) from None
    if not isinstance(tree, dict) or tree.get("format") != FORMAT or tree.get("version") not in range(1, VERSION + 1):
        raise FileFaulty(str(path), [("", "this is not a shop of this Able Box")], remedy)
    shop: OwnShop = record_from(upgraded_shop(tree.get("shop"), tree["version"]), OwnShop, str(path))
    return shop


def save_shop(path: Path, shop: OwnShop) -> None:
    """Write the user's own shop.

    Raises:
        FileNotWritten: if the disk refuses; the file is as it was then.
    """
    tree = {"format": FORMAT, "version": VERSION, "shop": record_text(shop)}
    try:
        path.parent.mkdir(parents=True, exist_ok=True)
        write_whole(path, (json.dumps(tree, indent=2, ensure_ascii=False) + "\n").encode("utf-8"))
    except OSError as fault:
        raise FileNotWritten(str(path), fault.strerror or "the disk refused") from None
