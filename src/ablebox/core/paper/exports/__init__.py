# SPDX-License-Identifier: GPL-3.0-or-later
"""Files for other programs and devices: spreadsheets, DXF, glTF, one page for a phone."""
