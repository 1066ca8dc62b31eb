# SPDX-License-Identifier: GPL-3.0-or-later
"""What stands inside a case: partitions and fixed shelves that divide it, and fittings in each bay."""
