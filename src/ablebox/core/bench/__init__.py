# SPDX-License-Identifier: GPL-3.0-or-later
"""What goes to the bench: settings of jigs and fences, spacer blocks, drilling patterns."""
