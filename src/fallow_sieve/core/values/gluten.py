"""The limit under which a food may be called gluten-free, where no scheme names its own."""

from __future__ import annotations

GLUTEN_LIMIT_MG_PER_KG = 20.0  # mg per kg of the food as sold: Codex Stan 118-1979, Regulation (EU) 828/2014
