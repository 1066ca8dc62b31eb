# SPDX-License-Identifier: GPL-3.0-or-later
"""What closes a case: doors and their hinges."""
