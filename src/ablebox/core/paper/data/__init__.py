# SPDX-License-Identifier: GPL-3.0-or-later
"""Everything as plain data, for checks from outside and other programs: JSON, CSV, iCalendar, Markdown."""
