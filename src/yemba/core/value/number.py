"""Numbers with a range and a unit."""

from __future__ import annotations

from dataclasses import dataclass
from typing import TYPE_CHECKING, Any, ClassVar

from yemba.core.errors import Fault
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
            limits = f"{self.low:g} to {self.high:g} {self.unit}".strip()
            reason = f"{name} cannot be “{str(typed)[:40]}”. Give a number from {limits}."
            raise Fault("number-out-of-range", reason, key)
        return int(number) if number == int(number) else number

    def say(self, value: Any, look: Look | None = None) -> str:
        return f"{float(value):g} {self.unit}".strip()

    def css(self, value: Any) -> str:
        return f"{value}{self.unit}"
