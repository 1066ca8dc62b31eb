# SPDX-License-Identifier: GPL-3.0-or-later
"""What the program remembers between starts: window, recent files, colours. Never the project."""

from __future__ import annotations

from pathlib import Path

from platformdirs import user_config_path, user_data_path, user_state_path
from PyQt6.QtCore import QDateTime, QLocale, QSettings

_MOST_RECENT = 9


def settings() -> QSettings:
    """Return the settings file."""
    return QSettings(str(user_config_path("ablebox") / "window.ini"), QSettings.Format.IniFormat)


def shop_path() -> Path:
    """Return the file of the user's own shop: rack and ways of building."""
    return Path(user_data_path("ablebox")) / "shop.json"


def versions_folder() -> Path:
    """Return where earlier versions of saved files are kept."""
    return Path(user_state_path("ablebox")) / "versions"


def recent() -> list[Path]:
    """Return the files opened or saved last, newest first."""
    stored = settings().value("recent", [])
    names = [stored] if isinstance(stored, str) else list(stored or [])
    return [Path(name) for name in names]


def remember(path: Path) -> None:
    """Put a file first among the recent ones."""
    path = path.resolve()
    rest = [old for old in recent() if old != path]
    settings().setValue("recent", [str(p) for p in [path, *rest][:_MOST_RECENT]])


def forget_recent() -> None:
    """Empty the list of recent files."""
    settings().remove("recent")


def written_time(seconds: float) -> str:
    """Return a time as it is written where one lives, from seconds since 1970."""
    return QLocale().toString(QDateTime.fromSecsSinceEpoch(int(seconds)), QLocale.FormatType.ShortFormat)
