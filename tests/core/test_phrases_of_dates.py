"""Phrases about when something happens: read as meant, or asked about; what has no meaning is named."""

from __future__ import annotations

from datetime import date
from itertools import product
from pathlib import Path

import pytest
from babel import Locale

from yemba.core.calendar.in_words import in_words
from yemba.core.calendar.phrases.reading import LONGEST, read
from yemba.core.calendar.recurrence import Occasion, occurrences, read_rule
from yemba.core.errors import Fault

TODAY = date(2026, 11, 27)  # a Friday
CODES = ("MO", "TU", "WE", "TH", "FR", "SA", "SU")
NEXT = ("2026-11-30", "2026-12-01", "2026-12-02", "2026-12-03", "2026-11-27", "2026-11-28", "2026-11-29")
"""The next of each weekday, today counting."""
EVERY = {
    "en": [["every {day}", "{days}", "on {days}", "each {day}", "weekly on {days}"],
           ["Monday", "Tuesday", "Wednesday", "Thursday", "Friday", "Saturday", "Sunday"], "s"],
    "de": [["jeden {day}", "{days}", "immer {days}", "jeweils {days}"],
           ["Montag", "Dienstag", "Mittwoch", "Donnerstag", "Freitag", "Samstag", "Sonntag"], "s"],
    "fr": [["chaque {day}", "tous les {days}", "le {day}", "les {days}"],
           ["lundi", "mardi", "mercredi", "jeudi", "vendredi", "samedi", "dimanche"], "s"],
}  # fmt: skip
TIMES = {
    "en": {"10-13": ("10:00", "13:00"), "10:00–13:00": ("10:00", "13:00"), "10am to 1pm": ("10:00", "13:00"),
           "from 10 to 13": ("10:00", "13:00"), "at 7pm": ("19:00", ""), "18:30 to 20:00": ("18:30", "20:00"),
           "at noon": ("12:00", ""), "9.30-11": ("09:30", "11:00"), "": ("", "")},
    "de": {"10-13 Uhr": ("10:00", "13:00"), "von 10 bis 13 Uhr": ("10:00", "13:00"), "um 19 Uhr": ("19:00", ""),
           "18:30 bis 20:00": ("18:30", "20:00"), "um halb acht abends": ("19:30", ""), "": ("", "")},
    "fr": {"10h-13h": ("10:00", "13:00"), "de 10h à 13h": ("10:00", "13:00"), "à 19h": ("19:00", ""),
           "de 18h30 à 20h": ("18:30", "20:00"), "à midi": ("12:00", ""), "": ("", "")},
}  # fmt: skip
WEEKLY = [
    (language, f"{form.format(day=name, days=name + plural)} {time}".strip(), number, clock)
    for language, (forms, names, plural) in EVERY.items()
    for (number, name), (form, (time, clock)) in product(
        enumerate(names), zip(forms * 3, TIMES[language].items(), strict=False)
    )
]


@pytest.mark.parametrize(("language", "phrase", "day", "clock"), WEEKLY)
def test_every_week(language: str, phrase: str, day: int, clock: tuple[str, str]) -> None:
    (only,) = read(phrase, language, TODAY)
    assert only.occasion == Occasion(NEXT[day], *clock, "", f"FREQ=WEEKLY;BYDAY={CODES[day]}")


MONTHS = {tag: [*Locale(tag).months["format"]["wide"].values()] for tag in ("en", "de", "fr")}
"""As CLDR has them."""
DATES = {
    "en": "{day} {name} | {name} {day} | {day}th {name} | on the {day}th of {name} | {day} {short} | {short} {day}",
    "de": "{day}. {name} | am {day}. {name} | {day}.{month}. | {day} {name}",
    "fr": "{day} {name} | le {day} {name}",
}


@pytest.mark.parametrize("language", DATES)
@pytest.mark.parametrize("month", range(1, 13))
def test_a_day_is_the_next_of_its_name(language: str, month: int) -> None:
    name = MONTHS[language][month - 1]
    expected = date(2026 if month == 12 else 2027, month, 14).isoformat()
    for form in DATES[language].split(" | "):
        phrase = form.format(day=14, name=name, short=name[:3], month=month)
        (only,) = read(f"{phrase} 18:00", language, TODAY)
        assert only.occasion == Occasion(expected, "18:00"), phrase
        (told,) = read(f"{phrase} 2029" if "." not in phrase[-1] else f"{phrase}2029", language, TODAY)
        assert told.occasion == Occasion(date(2029, month, 14).isoformat()), phrase


ORDINALS = {
    "en": ("the {nth} {day} of the month", ["first", "second", "third", "fourth", "last"]),
    "de": ("{nth} {day} im Monat", ["erster", "zweiter", "dritter", "vierter", "letzter"]),
    "fr": ("le {nth} {day} du mois", ["premier", "deuxième", "troisième", "quatrième", "dernier"]),
}


@pytest.mark.parametrize("language", ORDINALS)
def test_every_month(language: str) -> None:
    form, ordinals = ORDINALS[language]
    for (number, nth), (place, day) in product(
        zip((1, 2, 3, 4, -1), ordinals, strict=True), enumerate(EVERY[language][1])
    ):
        (only,) = read(form.format(nth=nth, day=day), language, TODAY)
        assert only.occasion.rule == f"FREQ=MONTHLY;BYDAY={number}{CODES[place]}"


ONE = Path(__file__).with_suffix(".txt").read_text().splitlines()
"""Language, phrase and what it means."""


def _occasion(told: str) -> Occasion:
    words = told.split()
    clock = [word for word in words if ":" in word]
    rule = next((word for word in words if word.startswith("FREQ=")), "")
    last = words[words.index("to") + 1] if "to" in words else ""
    lists = {name: tuple(words[words.index(name) + 1 :]) if name in words else () for name in ("also", "but")}
    return Occasion(words[0], *(*clock, "", "")[:2], last, rule, lists["also"], lists["but"])


@pytest.mark.parametrize("line", ONE)
def test_phrases_of_one_meaning(line: str) -> None:
    language, phrase, told = (part.strip() for part in line.split(" | "))
    (only,) = read(phrase, language, TODAY)
    assert only.occasion == _occasion(told)
    assert only.doubts == ()
    assert next(occurrences(only.occasion)).day == only.occasion.day
    assert only.occasion.day[:4] in in_words(only.occasion)


MANY = {
    ("en", "every second Saturday"): ["FREQ=WEEKLY;INTERVAL=2;BYDAY=SA", "FREQ=MONTHLY;BYDAY=2SA"],
    ("en", "every third Tuesday"): ["FREQ=MONTHLY;BYDAY=3TU", "FREQ=WEEKLY;INTERVAL=3;BYDAY=TU"],
    ("en", "every Saturday until June"): ["FREQ=WEEKLY;BYDAY=SA;UNTIL=20270630", "FREQ=WEEKLY;BYDAY=SA;UNTIL=20270531"],
    ("en", "Saturday 10-13"): ["", "FREQ=WEEKLY;BYDAY=SA"],
    ("en", "Tuesday and Thursday 10-12"): ["FREQ=WEEKLY;BYDAY=TU,TH", ""],
    ("en", "Monday to Friday 9-17"): ["FREQ=WEEKLY;BYDAY=MO,TU,WE,TH,FR", ""],
    ("en", "every Monday not in August 10-12"): [
        "FREQ=WEEKLY;BYDAY=MO;BYMONTH=1,2,3,4,5,6,7,9,10,11,12",
        "FREQ=WEEKLY;BYDAY=MO",
    ],
    ("de", "jeden zweiten Samstag"): ["FREQ=WEEKLY;INTERVAL=2;BYDAY=SA", "FREQ=MONTHLY;BYDAY=2SA"],
    ("fr", "chaque samedi jusqu'en juin"): [
        "FREQ=WEEKLY;BYDAY=SA;UNTIL=20270630",
        "FREQ=WEEKLY;BYDAY=SA;UNTIL=20270531",
    ],
}


@pytest.mark.parametrize(("language", "phrase"), MANY)
def test_what_can_mean_several_things_is_asked(language: str, phrase: str) -> None:
    assert [one.occasion.rule for one in read(phrase, language, TODAY)] == MANY[language, phrase]


@pytest.mark.parametrize(
    ("phrase", "days"),
    [("4/5/2027", ["2027-05-04", "2027-04-05"]), ("next Saturday", ["2026-11-28", "2026-12-05"])],
)
def test_days_that_can_be_two_are_asked(phrase: str, days: list[str]) -> None:
    assert [one.occasion.day for one in read(phrase, "en-GB", TODAY)] == days
    if "/" in phrase:
        assert [one.occasion.day for one in read(phrase, "en-US", TODAY)] == days[::-1]


@pytest.mark.parametrize(
    ("phrase", "begins"), [("every Friday 7-9", ["07:00", "19:00"]), ("5 May at 6", ["18:00", "06:00"])]
)
def test_hours_that_can_be_of_the_evening_are_asked(phrase: str, begins: list[str]) -> None:
    assert [one.occasion.begins for one in read(phrase, "en-GB", TODAY)] == begins
    assert len(read(phrase.replace("Friday", "Freitag").replace("every", "jeden").replace("at", "um").replace("May", "Mai"), "de", TODAY)) == 1  # fmt: skip


@pytest.mark.parametrize(
    ("phrase", "said"),
    [
        ("", "When is it?"),
        ("every Saturday at christmas", "“christmas”"),
        ("31 April", "There is no 31 April."),
        ("am 31. Februar", "There is no 31 February."),
        ("29 February 2027", "There is no 29 February 2027."),
        ("Sat 4 May", "4 May 2027 is a Tuesday."),
        ("10-13", "On which day?"),
        ("every", "Every what?"),
        ("every Saturday until", "Until when?"),
        ("every Saturday 10-12 and 14-16", "Two times on one day"),
        ("every Saturday 27:00", "“27:00” is no time of day."),
        ("every Saturday from 1 June until 1 May 2027", "before it begins"),
        ("5 times", "How often"),
        ("next", "Next what?"),
        ("x" * (LONGEST + 1), f"{LONGEST} are read"),
        ("every sixth Saturday of the month", "at most five"),
    ],
)
def test_what_has_no_meaning_is_named_with_a_cure(phrase: str, said: str) -> None:
    with pytest.raises(Fault) as refused:
        read(phrase, "en-GB", TODAY)
    assert said in refused.value.sentence
    assert "Write it as" in refused.value.sentence


def test_a_day_left_out_on_which_nothing_falls_is_told() -> None:
    first = read("every second Saturday 10-13 until 30 June, not 4 May", "en-GB", TODAY)[0]
    assert first.doubts == ("Nothing falls on Tuesday 4 May 2027, which is to be left out.",)
    assert first.occasion.but == ()


def test_another_language_than_the_sites_is_read_too() -> None:
    assert read("jeden Samstag 10-13 Uhr", "en-GB", TODAY) == read("every Saturday 10-13", "de", TODAY)


@pytest.mark.parametrize(
    ("typed", "said"),
    [
        ("FREQ=HOURLY", "FREQ is one of"),
        ("FREQ=WEEKLY;BYSECOND=1", "BYSECOND cannot be used"),
        ("FREQ=WEEKLY;INTERVAL=0", "INTERVAL is a number"),
        ("FREQ=WEEKLY;COUNT=99999", "COUNT is a number"),
        ("FREQ=WEEKLY;COUNT=3;UNTIL=20270630", "both COUNT and UNTIL"),
        ("FREQ=WEEKLY;UNTIL=soon", "UNTIL is a day"),
        ("FREQ=MONTHLY;BYMONTH=2;BYMONTHDAY=31", "nothing ever falls"),
        ("FREQ=DAILY;INTERVAL=7;BYDAY=MO", "BYDAY cannot be used in one that is daily"),
        ("every week", "FREQ is one of"),
        ("FREQ=WEEKLY;BYDAY=XX", "is no rule"),
    ],
)
def test_rules_that_are_none_are_refused_with_a_reason(typed: str, said: str) -> None:
    with pytest.raises(Fault) as refused:
        read_rule(typed)
    assert said in refused.value.sentence
    assert "FREQ=WEEKLY;BYDAY=SA" in refused.value.sentence
