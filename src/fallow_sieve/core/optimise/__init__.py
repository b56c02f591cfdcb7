"""Finds blends for a brief: state the problem, solve it, translate the answer, and re-evaluate what is shown.

`solver` alone knows the solver. `wishes` is what is asked, `forms` the metrics as linear forms, `problem` the limits
with their names, `stating` the program, `fitting` its best fit, `proposals`, `conflicts`, `mending`, `explaining`,
`near`, `trades` and `bags` what is made of it. See docs/method.md, "Proposals".
"""

from fallow_sieve.core.optimise.bags import SEED, Bags, bags_of
from fallow_sieve.core.optimise.conflicts import Conflict, Give
from fallow_sieve.core.optimise.explaining import Binding, Explained, More, Slack, explain_proposal, prices_of_more
from fallow_sieve.core.optimise.gains import gives_and_gives_up
from fallow_sieve.core.optimise.linear_metrics import Form, Mix, form_of
from fallow_sieve.core.optimise.mending import Mend, Mending, mend
from fallow_sieve.core.optimise.nearby import Likeness, NoVariant, Variant, most_alike, near_variants
from fallow_sieve.core.optimise.posing import in_bins, problem_of
from fallow_sieve.core.optimise.problem import Problem
from fallow_sieve.core.optimise.proposals import (
    TIME_LIMIT_S,
    Proposal,
    Skipped,
    blend_of,
    judged,
    proposal_of,
    slack_of,
)
from fallow_sieve.core.optimise.searching import search
from fallow_sieve.core.optimise.trades import front, front_between
from fallow_sieve.core.optimise.wishes import AIM_LABELS, MIN_SHARE_PCT, Aim, Share, Wishes, is_supplement

__all__ = [
    "AIM_LABELS",
    "MIN_SHARE_PCT",
    "SEED",
    "TIME_LIMIT_S",
    "Aim",
    "Bags",
    "Binding",
    "Conflict",
    "Explained",
    "Form",
    "Give",
    "Likeness",
    "Mend",
    "Mending",
    "Mix",
    "More",
    "NoVariant",
    "Problem",
    "Proposal",
    "Share",
    "Skipped",
    "Slack",
    "Variant",
    "Wishes",
    "bags_of",
    "blend_of",
    "explain_proposal",
    "form_of",
    "front",
    "front_between",
    "gives_and_gives_up",
    "in_bins",
    "is_supplement",
    "judged",
    "mend",
    "most_alike",
    "near_variants",
    "prices_of_more",
    "problem_of",
    "proposal_of",
    "search",
    "slack_of",
]
