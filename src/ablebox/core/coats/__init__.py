# SPDX-License-Identifier: GPL-3.0-or-later
"""Finishes: schedules of coats as data, and what a project chose of them."""
