# SPDX-License-Identifier: GPL-3.0-or-later
"""The parts list: made from assemblies, never stored."""
