"""What trials teach beside water: one nested-normal learner for losses, times, speeds, offsets and volumes."""

__all__ = ["bags", "bands_proposed", "learner", "observed", "planning"]
