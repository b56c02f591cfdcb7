"""Labels as files: the answer of `label`, its layout, and its pens."""

from fallow_sieve.formats.labels.answer import LabelAnswer, label_answer
from fallow_sieve.formats.labels.layout import LaidOut, Printing, lay_out
from fallow_sieve.formats.labels.pens import pdf_of, svg_of
from fallow_sieve.formats.labels.record import BatchRecord, RecordPart

__all__ = [
    "BatchRecord",
    "LabelAnswer",
    "LaidOut",
    "Printing",
    "RecordPart",
    "label_answer",
    "lay_out",
    "pdf_of",
    "svg_of",
]
