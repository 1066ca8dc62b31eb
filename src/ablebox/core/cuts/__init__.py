# SPDX-License-Identifier: GPL-3.0-or-later
"""Cut plans for sheets.

``problem`` and ``plan`` are plain records in whole ticks; ``search`` makes plans, ``bound``
says how few sheets there can be, ``checker`` proves a plan and shares no code with the search,
``saw_order`` turns a sheet into a sequence of cuts. The whole interface to the search is
``search.planner.plan``.
"""
