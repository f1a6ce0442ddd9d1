"""Tokens one after the other, and the points at which a phrase can mean several things."""

from __future__ import annotations

from collections.abc import Mapping

from yemba.core.calendar.phrases.token import Token, Vocabulary

Asked = dict[str, int]
"""Points that were asked, by name, each with how many meanings it has."""


class Unread(Exception):
    """What of a phrase has no meaning, as a `sentence`."""

    def __init__(self, sentence: str) -> None:
        super().__init__(sentence)
        self.sentence = sentence


class Cursor:
    """Goes along the tokens of a phrase. `choices` are the meanings that are taken, by the name of the point."""

    def __init__(self, typed: list[Token], vocabulary: Vocabulary, language: str, choices: Mapping[str, int]) -> None:
        self._tokens = typed
        self._place = 0
        self._vocabulary = vocabulary
        self._language = language
        self._choices = choices
        self.asked: Asked = {}

    def _peek(self, ahead: int = 0) -> Token:
        place = self._place + ahead
        return self._tokens[place] if place < len(self._tokens) else Token("end", None, "")

    def _is(self, *expected: str, ahead: int = 0) -> bool:
        return self._peek(ahead).kind in expected

    def _next(self) -> Token:
        token = self._peek()
        self._place += 1
        return token

    def _value(self) -> int:
        """The number that the next token tells."""
        return self._next().number

    def _skip(self, *kind: str) -> bool:
        if self._is(*kind):
            self._place += 1
            return True
        return False

    def _choose(self, name: str, count: int) -> int:
        """Which of several meanings is taken at a point."""
        self.asked[name] = count
        return self._choices.get(name, 0)
