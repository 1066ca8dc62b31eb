# SPDX-License-Identifier: GPL-3.0-or-later
"""Pages at full size: templates, drilling guides, story sticks."""
