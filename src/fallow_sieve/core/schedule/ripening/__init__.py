"""How a dough ripens: speed by temperature, amount and water; its way through places; its rise; its readings."""

__all__ = ["asked", "bodies", "organism", "path", "rise", "waking", "watch"]
