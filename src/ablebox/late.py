# SPDX-License-Identifier: GPL-3.0-or-later
"""Everything that is loaded only when it is first wanted, in one table: commands, paper, the compiled loop, what reads spreadsheets.

Each row says which package uses it; a test holds the table to the order of the packages, as it does plain imports.
"""

from __future__ import annotations

from enum import Enum
from importlib import import_module
from typing import Any


class Late(Enum):
    """What is loaded late: its module, and the package that asks for it."""

    PREVIEW = ("window.preview", "window")
    LABEL_DIALOG = ("window.label_dialog", "window")
    TABLE_DIALOG = ("window.table_dialog", "window")
    SHOP_BOOK = ("core.paper.book.shop_book", "window")
    TEMPLATES = ("core.paper.full_size.templates", "window")
    DRILLING = ("core.paper.full_size.drilling", "window")
    STORY_STICKS = ("core.paper.full_size.story_sticks", "window")
    LABELS = ("core.paper.labels.labels", "window")
    SHEET_FILES = ("core.paper.exports.sheet_files", "window")
    TABLES = ("core.paper.exports.tables_out", "window")
    PART_DXF = ("core.paper.exports.part_dxf", "window")
    GLTF = ("core.paper.exports.model_gltf", "window")
    HTML = ("core.paper.exports.html_out", "window")
    EVERYTHING = ("core.paper.data.everything_json", "window")
    EXPLODED = ("core.drawing.exploded", "window")
    SPREADSHEETS = ("core.spreadsheets", "core.project")
    NET = ("core.room.net", "core.room")
    STORED = ("core.cuts.search.stored", "core.cuts")
    ENTRIES = ("core.cuts.search.entries", "core.cuts")
    PATTERN_BOUND = ("core.cuts.pattern_bound", "core.cuts")
    PAIR_BOUND = ("core.cuts.pair_bound", "core.cuts")
    PARTS = ("cli.parts", "cli")
    ASSEMBLY = ("cli.assembly", "cli")
    PLAN = ("cli.plan", "cli")
    STEPS = ("cli.steps", "cli")
    FIT = ("cli.fit", "cli")
    DOUBT = ("cli.doubt", "cli")
    SCHEDULE = ("cli.schedule", "cli")
    LOG = ("cli.log", "cli")
    BUY = ("cli.buy", "cli")
    CUTPLAN = ("cli.cutplan", "cli")
    CHECK = ("cli.check", "cli")
    BOOK = ("cli.book", "cli")
    TEMPLATES_COMMAND = ("cli.templates", "cli")
    LABELS_COMMAND = ("cli.labels", "cli")
    EXPORT = ("cli.export", "cli")
    METER = ("cli.meter", "cli")
    DEMO = ("cli.demo", "cli")

    @property
    def module(self) -> Any:
        """The module, loaded now if it was not yet."""
        return import_module(f".{self.value[0]}", __package__)


def command(name: str) -> Any:
    """Return the module of a command by its name on the command line.

    Raises:
        KeyError: if there is no such command.
    """
    return next(row for row in Late if row.value == (f"cli.{name}", "cli")).module
