# SPDX-License-Identifier: GPL-3.0-or-later
"""What paper, files and screen list: what is bought and cut, settings, cautions."""
