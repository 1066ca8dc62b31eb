# SPDX-License-Identifier: GPL-3.0-or-later
"""Schools of order: where practitioners differ, one question a module. Each answer says when its steps come."""
