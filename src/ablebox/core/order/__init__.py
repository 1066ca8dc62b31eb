# SPDX-License-Identifier: GPL-3.0-or-later
"""Schools of order: where practitioners differ, one question a module, and the answers of a job together."""
