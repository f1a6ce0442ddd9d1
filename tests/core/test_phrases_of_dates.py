"""Phrases about when something happens: read as meant, or asked about; what has no meaning is named."""

from __future__ import annotations

from datetime import date
from itertools import product

import pytest

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


MONTHS = {
    "en": [
        "January",
        "February",
        "March",
        "April",
        "May",
        "June",
        "July",
        "August",
        "September",
        "October",
        "November",
        "December",
    ],
    "de": [
        "Januar",
        "Februar",
        "März",
        "April",
        "Mai",
        "Juni",
        "Juli",
        "August",
        "September",
        "Oktober",
        "November",
        "Dezember",
    ],
    "fr": [
        "janvier",
        "février",
        "mars",
        "avril",
        "mai",
        "juin",
        "juillet",
        "août",
        "septembre",
        "octobre",
        "novembre",
        "décembre",
    ],
}
DATES = {
    "en": [
        "{day} {name}",
        "{name} {day}",
        "{day}th {name}",
        "on the {day}th of {name}",
        "{day} {short}",
        "{short} {day}",
    ],
    "de": ["{day}. {name}", "am {day}. {name}", "{day}.{month}.", "{day} {name}"],
    "fr": ["{day} {name}", "le {day} {name}"],
}


@pytest.mark.parametrize("language", DATES)
@pytest.mark.parametrize("month", range(1, 13))
def test_a_day_is_the_next_of_its_name(language: str, month: int) -> None:
    name = MONTHS[language][month - 1]
    expected = date(2026 if month == 12 else 2027, month, 14).isoformat()
    for form in DATES[language]:
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


ONE = """
en | first and third Tuesday of the month 7pm | 2026-12-01 19:00 FREQ=MONTHLY;BYDAY=1TU,3TU
en | the last Friday of every month at half past seven in the evening | 2026-11-27 19:30 FREQ=MONTHLY;BYDAY=-1FR
en | every first Saturday 10-16 | 2026-12-05 10:00 16:00 FREQ=MONTHLY;BYDAY=1SA
en | on the 15th of every month | 2026-12-15 FREQ=MONTHLY;BYMONTHDAY=15
en | every other Wednesday 6pm until 30 June 2027 | 2026-12-02 18:00 FREQ=WEEKLY;INTERVAL=2;BYDAY=WE;UNTIL=20270630
en | every two weeks on Monday from 4 January 10-12 | 2027-01-04 10:00 12:00 FREQ=WEEKLY;INTERVAL=2;BYDAY=MO
en | fortnightly on Thursday 19:00 | 2026-12-03 19:00 FREQ=WEEKLY;INTERVAL=2;BYDAY=TH
en | daily 10-16 from 1 June to 30 September | 2027-06-01 10:00 16:00 FREQ=DAILY;UNTIL=20270930
en | every day except Sunday 8-18 | 2026-11-27 08:00 18:00 FREQ=WEEKLY;BYDAY=MO,TU,WE,TH,FR,SA
en | weekdays 9-17 | 2026-11-27 09:00 17:00 FREQ=WEEKLY;BYDAY=MO,TU,WE,TH,FR
en | at weekends 14:00 | 2026-11-28 14:00 FREQ=WEEKLY;BYDAY=SA,SU
en | Tuesdays and Thursdays 18:30 to 20:00 | 2026-12-01 18:30 20:00 FREQ=WEEKLY;BYDAY=TU,TH
en | every Monday, Wednesday and Friday 9.30-11 | 2026-11-27 09:30 11:00 FREQ=WEEKLY;BYDAY=MO,WE,FR
en | 6 Saturdays from 9 January 10-12 | 2027-01-09 10:00 12:00 FREQ=WEEKLY;BYDAY=SA;COUNT=6
en | every Tuesday for 8 weeks 19:00 | 2026-12-01 19:00 FREQ=WEEKLY;BYDAY=TU;UNTIL=20270125
en | every Tuesday 5 times 19:00 | 2026-12-01 19:00 FREQ=WEEKLY;BYDAY=TU;COUNT=5
en | every Monday 10-12, not in August | 2026-11-30 10:00 12:00 FREQ=WEEKLY;BYDAY=MO;BYMONTH=1,2,3,4,5,6,7,9,10,11,12
en | every Friday in June to August 18:00 | 2027-06-04 18:00 FREQ=WEEKLY;BYDAY=FR;BYMONTH=6,7,8
en | Saturdays until the end of June | 2026-11-28 FREQ=WEEKLY;BYDAY=SA;UNTIL=20270630
en | every Saturday until 30 June, not 26 December | 2026-11-28 FREQ=WEEKLY;BYDAY=SA;UNTIL=20270630 but 2026-12-26
en | every Saturday except 19 and 26 December | 2026-11-28 FREQ=WEEKLY;BYDAY=SA but 2026-12-19 2026-12-26
en | every Saturday, closed 19 December to 3 January | 2026-11-28 FREQ=WEEKLY;BYDAY=SA but 2026-12-19 2026-12-26 2027-01-02
en | 3-5 June | 2027-06-03 to 2027-06-05
en | 3 June to 5 June 10-17 | 2027-06-03 to 2027-06-05 10:00 17:00
en | 30 December to 2 January | 2026-12-30 to 2027-01-02
en | 4, 11 and 18 May 10-12 | 2027-05-04 10:00 12:00 also 2027-05-11 2027-05-18
en | Saturday 5 December 10-13 | 2026-12-05 10:00 13:00
en | 2027-03-14 18:30 | 2027-03-14 18:30
en | today 20:00 | 2026-11-27 20:00
en | tomorrow 14:00 | 2026-11-28 14:00
en | 25/12/2026 11:00 | 2026-12-25 11:00
en | 31 December 22:00 to 2:00 | 2026-12-31 22:00 02:00
en | between 10 and 13 every Sunday | 2026-11-29 10:00 13:00 FREQ=WEEKLY;BYDAY=SU
en | 29 February | 2028-02-29
de | 3.-5. Juni | 2027-06-03 to 2027-06-05
de | 4., 11. und 18. Mai 10-12 Uhr | 2027-05-04 10:00 12:00 also 2027-05-11 2027-05-18
de | am ersten und dritten Dienstag im Monat um 19 Uhr | 2026-12-01 19:00 FREQ=MONTHLY;BYDAY=1TU,3TU
de | alle 2 Wochen samstags 10 bis 13 Uhr bis Ende Juni | 2026-11-28 10:00 13:00 FREQ=WEEKLY;INTERVAL=2;BYDAY=SA;UNTIL=20270630
de | täglich außer sonntags 8-18 Uhr | 2026-11-27 08:00 18:00 FREQ=WEEKLY;BYDAY=MO,TU,WE,TH,FR,SA
de | jeden Samstag bis 30.6.2027, nicht am 26. Dezember | 2026-11-28 FREQ=WEEKLY;BYDAY=SA;UNTIL=20270630 but 2026-12-26
de | letzter Freitag im Monat um 20 Uhr | 2026-11-27 20:00 FREQ=MONTHLY;BYDAY=-1FR
de | morgen 14 Uhr | 2026-11-28 14:00
de | werktags 9-17 Uhr | 2026-11-27 09:00 17:00 FREQ=WEEKLY;BYDAY=MO,TU,WE,TH,FR
fr | du 3 au 5 juin | 2027-06-03 to 2027-06-05
fr | les 4, 11 et 18 mai de 10h à 12h | 2027-05-04 10:00 12:00 also 2027-05-11 2027-05-18
fr | le premier et le troisième mardi du mois à 19h | 2026-12-01 19:00 FREQ=MONTHLY;BYDAY=1TU,3TU
fr | un samedi sur deux 10h-13h | 2026-11-28 10:00 13:00 FREQ=WEEKLY;INTERVAL=2;BYDAY=SA
fr | tous les jours sauf le dimanche 8h-18h | 2026-11-27 08:00 18:00 FREQ=WEEKLY;BYDAY=MO,TU,WE,TH,FR,SA
fr | toutes les deux semaines le lundi à partir du 1er mars | 2027-03-01 FREQ=WEEKLY;INTERVAL=2;BYDAY=MO
fr | le 15 de chaque mois | 2026-12-15 FREQ=MONTHLY;BYMONTHDAY=15
fr | chaque samedi jusqu'au 30 juin 2027, sauf le 26 décembre | 2026-11-28 FREQ=WEEKLY;BYDAY=SA;UNTIL=20270630 but 2026-12-26
fr | demain 14h | 2026-11-28 14:00
"""


def _occasion(told: str) -> Occasion:
    words = told.split()
    clock = [word for word in words if ":" in word]
    rule = next((word for word in words if word.startswith("FREQ=")), "")
    last = words[words.index("to") + 1] if "to" in words else ""
    lists = {name: tuple(words[words.index(name) + 1 :]) if name in words else () for name in ("also", "but")}
    return Occasion(words[0], *(*clock, "", "")[:2], last, rule, lists["also"], lists["but"])


@pytest.mark.parametrize("line", ONE.strip().splitlines())
def test_phrases_of_one_meaning(line: str) -> None:
    language, phrase, told = (part.strip() for part in line.split(" | "))
    (only,) = read(phrase, language, TODAY)
    assert only.occasion == _occasion(told)
    assert only.doubts == ()


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


@pytest.mark.parametrize("phrase", [line.split(" | ")[1] for line in ONE.strip().splitlines()])
def test_what_is_read_happens_and_is_said_in_words(phrase: str) -> None:
    language = next(line.split(" | ")[0].strip() for line in ONE.strip().splitlines() if phrase in line)
    occasion = read(phrase, language, TODAY)[0].occasion
    first = next(occurrences(occasion))
    assert first.day == occasion.day
    said = in_words(occasion)
    assert said[0].isupper()
    assert str(date.fromisoformat(occasion.day).year) in said


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
