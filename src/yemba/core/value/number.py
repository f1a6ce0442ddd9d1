"""Numbers with a range and a unit."""

from __future__ import annotations

from dataclasses import dataclass
from typing import TYPE_CHECKING, Any, ClassVar

from yemba.core.errors import Fault
from yemba.core.message import Message
from yemba.core.value.kind import Kind

if TYPE_CHECKING:
    from yemba.core.site.resolve import Look


@dataclass(frozen=True)
class Number(Kind):
    """A number from `low` to `high`, in `unit`."""

    low: float
    high: float
    unit: str = ""
    step: float = 1

    control: ClassVar[str] = "number"

    def read(self, typed: Any, name: str, key: str) -> float | int:
        try:
            number = float(str(typed)[:400].strip().removesuffix(self.unit).replace(",", "."))
        except ValueError:
            number = float("nan")
        if not self.low <= number <= self.high:
            limits = Message("{low:g} to {high:g} {unit}", low=self.low, high=self.high, unit=self.unit).strip()
            reason = Message(
                "{name} cannot be “{typed}”. Give a number from {limits}.",
                name=name,
                typed=str(typed)[:40],
                limits=limits,
            )
            raise Fault("number-out-of-range", reason, key)
        return int(number) if number == int(number) else number

    def say(self, value: Any, look: Look | None = None) -> str:
        return f"{float(value):g} {self.unit}".strip()

    def css(self, value: Any) -> str:
        return f"{value}{self.unit}"
