"""Briefs as files, and what `propose` and `mend` write."""

from fallow_sieve.formats.briefs.answers import MendOut, ProposalsOut, Worked, mend_document, proposals_document
from fallow_sieve.formats.briefs.file import (
    AimName,
    BriefFile,
    WishListIn,
    body_of,
    named_uses,
    read_brief,
    wishes_of,
    write_brief,
)

__all__ = [
    "AimName",
    "BriefFile",
    "MendOut",
    "ProposalsOut",
    "WishListIn",
    "Worked",
    "body_of",
    "mend_document",
    "named_uses",
    "proposals_document",
    "read_brief",
    "wishes_of",
    "write_brief",
]
