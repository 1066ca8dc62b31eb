# SPDX-License-Identifier: GPL-3.0-or-later
"""What lies on a case: nothing, or a counter of sheet."""
