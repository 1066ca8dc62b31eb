# SPDX-License-Identifier: GPL-3.0-or-later
"""A case's design and how each school of construction turns it into placed parts.

One module holds one school: its choices as a small frozen record, and a ``build`` that
returns what it adds to the case. ``design`` lists which schools there are; ``build`` puts
them together in the order their sizes depend on each other.
"""
