"""Times of day of a phrase, and which half of the day they are of."""

from __future__ import annotations

from yemba.core.calendar.phrases import token as kinds
from yemba.core.calendar.phrases.cursor import Cursor, Unread
from yemba.core.message import Message

_EVENING = 8  # hours up to this may be of the evening where a clock of twelve is usual


class Clock(Cursor):
    """Reads times: hour, minute, and whether it is sure which half of the day is meant."""

    _times: list[tuple[int, int, bool]]
    _half: int | None

    def _hours(self) -> None:
        self._times.append(self._hour())
        if self._is(kinds.TO, kinds.UNTIL) and self._is(kinds.TIME, kinds.NUMBER, kinds.HALF, ahead=1):
            if self._is(kinds.NUMBER, ahead=1) and self._is(kinds.MONTH, ahead=2):
                return
            self._next()
            self._times.append(self._hour())
        elif len(self._times) == 1 and self._is(kinds.AND) and self._hour_follows():
            self._next()  # "between 10 and 13"
            self._times.append(self._hour())

    def _hour_follows(self) -> bool:
        """Whether the token after the next is an hour, and no day of a month or number of times."""
        is_number = self._is(kinds.NUMBER, ahead=1)
        return self._is(kinds.TIME, ahead=1) or (is_number and not self._is(kinds.MONTH, kinds.TIMES, ahead=2))

    def _hour(self) -> tuple[int, int, bool]:
        shift = self._value() if self._is(kinds.HALF) else 0
        token = self._next()
        if token.kind == kinds.TIME:
            hour, minute, sure = token.clock
        else:
            hour, minute, sure = token.number, 0, False
            if hour > 24:
                raise Unread(Message("“{typed}” is no time of day.", typed=token.text))
            sure = hour > 12
        total = hour * 60 + minute + shift
        if hour > 24 or minute > 59 or total < 0 or total > 24 * 60:
            raise Unread(Message("“{typed}” is no time of day.", typed=token.text))
        return total // 60 % 24, total % 60, sure

    def _clock(self) -> tuple[str, str]:
        """The times as they are stored."""
        if len(self._times) > 2:
            raise Unread(Message("Two times on one day are two entries."))
        if not self._times:
            return "", ""
        begins, *rest = self._times
        ends = rest[0] if rest else None
        begins, ends = self._in_half(begins, ends)
        first = f"{begins[0]:02}:{begins[1]:02}"
        return first, f"{ends[0]:02}:{ends[1]:02}" if ends else ""

    def _in_half(
        self, begins: tuple[int, int, bool], ends: tuple[int, int, bool] | None
    ) -> tuple[tuple[int, int, bool], tuple[int, int, bool] | None]:
        """Which half of the day hours are of that do not tell: by a word, by the other hour, or asked."""
        if self._half is not None:
            both = [self._shifted(one, self._half) if one and not one[2] else one for one in (begins, ends)]
            return both[0], both[1]  # type: ignore[return-value]
        if ends and ends[2] and not begins[2] and self._vocabulary.clock == 12:
            later = self._shifted(begins, 12)
            fits = later[:2] < ends[:2] and begins[0] <= _EVENING and ends[0] >= 12 and ends[0] < 24
            if fits and ends[0] - begins[0] > 8:
                return (later if self._choose("hours", 2) == 0 else begins), ends
            return begins, ends
        if ends and not ends[2] and begins[:2] >= ends[:2] and begins[:2] < (ends[0] + 12, ends[1]) < (24, 0):
            return begins, self._shifted(ends, 12)
        if begins[2] or begins[0] > _EVENING or begins[0] == 0 or self._vocabulary.clock == 24:
            return begins, ends
        if ends and ends[0] > 12:
            return begins, ends
        if self._choose("hours", 2) == (0 if begins[0] < 7 else 1):
            return self._shifted(begins, 12), self._shifted(ends, 12) if ends else None
        return begins, ends

    def _shifted(self, moment: tuple[int, int, bool], by: int) -> tuple[int, int, bool]:
        hour, minute, _ = moment
        return (hour + by if hour < 12 else hour) % 24, minute, True
