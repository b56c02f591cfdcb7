"""How often one key may ask: a phone that goes astray must not keep the others waiting."""

from __future__ import annotations

from collections import deque
from collections.abc import Callable
from threading import Lock
from time import monotonic

MOST, WINDOW_S = 60, 60.0
MOST_KEYS = 1000


class Limit:
    """At most so many requests of a key within a window (s)."""

    def __init__(self, most: int = MOST, window_s: float = WINDOW_S, clock: Callable[[], float] = monotonic) -> None:
        self._most, self._window, self._clock = most, window_s, clock
        self._asked: dict[str, deque[float]] = {}
        self._lock = Lock()

    def allows(self, key: str) -> bool:
        """Return whether `key` may ask once more now, and count it."""
        now = self._clock()
        with self._lock:
            if key not in self._asked and len(self._asked) >= MOST_KEYS:
                self._asked.clear()
            asked = self._asked.setdefault(key, deque())
            while asked and asked[0] <= now - self._window:
                asked.popleft()
            if len(asked) >= self._most:
                return False
            asked.append(now)
            return True
