"""Labels as files: the answer of `label`, its layout, and its pens."""

from fallow_sieve.formats.labels.answer import LabelAnswer, label_answer

__all__ = ["LabelAnswer", "label_answer"]
