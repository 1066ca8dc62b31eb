# SPDX-License-Identifier: GPL-3.0-or-later
"""Into the room: level, shims, what holds cases to the building, whether they tip, and the order of going in."""
