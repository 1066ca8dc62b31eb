# SPDX-License-Identifier: GPL-3.0-or-later
"""What a person adds to a part: round holes, finger slots, notches at corners and for cords, arched edges, cord outlets,
spaces kept free for cords, lights and their switches; one module each.

Places are measured along the part's length from its lower or left end, and across its width from
its front or lower edge.
"""
