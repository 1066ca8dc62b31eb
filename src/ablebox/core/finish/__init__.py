# SPDX-License-Identifier: GPL-3.0-or-later
"""The finish of a job: which faces are seen, how large they are, what it takes."""
