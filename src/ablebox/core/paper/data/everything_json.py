# SPDX-License-Identifier: GPL-3.0-or-later
"""Everything about a project in one tree: the project itself, parts, plans and snags."""

from __future__ import annotations

import json
from collections.abc import Mapping
from typing import Any

from ...cuts.plan import Plan
from ...project.json_format import to_text
from ...shop.made import Made
from ...snags.every import snags
from .parts_json import parts_tree
from .plan_json import project_plan_tree


def everything_tree(made: Made, plans: Mapping[str, Plan]) -> dict[str, Any]:
    """Return project, parts, plan and snags as plain data."""
    return {
        **json.loads(to_text(made.project)),
        "parts": parts_tree(made.parts),
        "plan": project_plan_tree(made, plans),
        "snags": [
            {"code": snag.code, "level": snag.level.name.lower(), "case": snag.case, "sentence": snag.sentence}
            for snag in snags(made)
        ],
    }
