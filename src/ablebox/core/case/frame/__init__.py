# SPDX-License-Identifier: GPL-3.0-or-later
"""What stands before the carcass: nothing, or a face frame; and how a frame's parts are joined."""
