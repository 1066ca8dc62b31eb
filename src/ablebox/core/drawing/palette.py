# SPDX-License-Identifier: GPL-3.0-or-later
"""Colours by name: for daylight, for the evening, and for print."""

from __future__ import annotations

DAYLIGHT: dict[str, str] = {
    "paper": "#F7F2E7",
    "card": "#FFFDF7",
    "ink": "#1E2A33",
    "quiet": "#5F6A74",
    "rule": "#E9C46A",
    "tick": "#8A6414",
    "tick-ink": "#3D2E08",
    "select": "#C03A25",
    "select-wash": "#FDE6E0",
    "dimension": "#1F5F8B",
    "settled": "#2F6B3E",
    "settled-wash": "#E9F2EA",
    "snag": "#8F5A00",
    "snag-mark": "#E9A23B",
    "wood": "#F3E6C8",
    "wood-edge": "#EBDAB6",
    "wood-dark": "#DCC794",
    "grain": "#D9C392",
    "ply": "#B98B2E",
    "shade": "#5B5141",
    "line": "#D8CFB9",
    "edge": "#8A8168",
    "hatch": "#C9BFA8",
    "snag-line": "#2B3640",
    "snag-text": "#FFFDF7",
    "gate": "#ECE6D8",
    "tint-1": "#F6DCD2",
    "tint-2": "#EFE5B8",
    "tint-3": "#D9E6EE",
    "tint-4": "#DDEBDC",
    "tint-5": "#E6DDEE",
    "tint-6": "#F3E0C0",
}

EVENING: dict[str, str] = {
    "paper": "#232B33",
    "card": "#2C3640",
    "ink": "#F1ECDF",
    "quiet": "#A9B2BA",
    "rule": "#C49F4B",
    "tick": "#4A3608",
    "tick-ink": "#2A1F05",
    "select": "#FF9A85",
    "select-wash": "#4A332F",
    "dimension": "#8CC3EA",
    "settled": "#8FCF9C",
    "settled-wash": "#2C4033",
    "snag": "#F0B65A",
    "snag-mark": "#F0B65A",
    "wood": "#4A4334",
    "wood-edge": "#5E543F",
    "wood-dark": "#3B3629",
    "grain": "#6B6048",
    "ply": "#C9A55A",
    "shade": "#14191E",
    "line": "#46525E",
    "edge": "#8592A0",
    "hatch": "#4E5A66",
    "snag-line": "#12171C",
    "snag-text": "#F1ECDF",
    "gate": "#36414C",
    "tint-1": "#57403A",
    "tint-2": "#524C2E",
    "tint-3": "#36495A",
    "tint-4": "#37503D",
    "tint-5": "#4A4259",
    "tint-6": "#554630",
}

#: White ground and dark lines; readable in black and white.
PRINT: dict[str, str] = {
    **DAYLIGHT,
    "paper": "#FFFFFF",
    "card": "#FFFFFF",
    "ink": "#111111",
    "quiet": "#4D4D4D",
    "wood": "#FAF4E6",
    "wood-edge": "#F1E6CC",
    "wood-dark": "#E4D6B2",
    "tint-1": "#FAEDE8",
    "tint-2": "#F8F3DC",
    "tint-3": "#EDF3F7",
    "tint-4": "#EFF6EE",
    "tint-5": "#F3EFF7",
    "tint-6": "#FAF0E0",
    # What must still be copied when the copier is bad.
    "dimension": "#17466A",
    "select": "#A82A18",
    "gate": "#ECECEC",
    "line": "#A9A9A9",
}

TINTS = 6


def tint(letter: str) -> str:
    """Return the tint of a case's pieces; the letter itself is always written beside it."""
    number = sum((ord(char) - ord("A") + 1) * 26**i for i, char in enumerate(reversed(letter))) - 1
    return f"tint-{number % TINTS + 1}"


def contrast(one: str, other: str) -> float:
    """Return the contrast of two colours, 1 to 21 (formula of the W3C's WCAG 2, from memory)."""

    def luminance(colour: str) -> float:
        parts = [int(colour[i : i + 2], 16) / 255 for i in (1, 3, 5)]
        linear = [p / 12.92 if p <= 0.03928 else ((p + 0.055) / 1.055) ** 2.4 for p in parts]
        return 0.2126 * linear[0] + 0.7152 * linear[1] + 0.0722 * linear[2]

    high, low = sorted((luminance(one), luminance(other)), reverse=True)
    return (high + 0.05) / (low + 0.05)
