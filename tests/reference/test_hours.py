"""What lines about opening days say, and which of them say nothing that is true of every week (common
practice, no source).

Days are written as digits, 0 for Monday.
"""

from __future__ import annotations

import pytest

from yemba.core.calendar.weekdays import DAYS, days_in

UNDERSTOOD = """
Monday: 0
Mondays: 0
Mon: 0
Mon.: 0
mon: 0
MONDAY: 0
Tuesday: 1
Tue: 1
Tues: 1
Tues.: 1
Tuesdays: 1
Wednesday: 2
Wed: 2
Weds: 2
Wednesdays: 2
Thursday: 3
Thu: 3
Thur: 3
Thurs: 3
Thurs.: 3
Friday: 4
Fri: 4
Fridays: 4
Saturday: 5
Sat: 5
Sat.: 5
Saturdays: 5
Sunday: 6
Sun: 6
Sundays: 6
Every Monday: 0
Each Tuesday: 1
On Wednesdays: 2
On Saturday: 5
Only Thursdays: 3
Thursdays only: 3
Monday and Tuesday: 01
Monday & Tuesday: 01
Monday, Tuesday: 01
Mon, Tue: 01
Mon/Tue: 01
Mon + Tue: 01
Mon; Wed; Fri: 024
Mon, Wed and Fri: 024
Mon, Wed, Fri: 024
Monday, Wednesday and Friday: 024
Mondays, Wednesdays and Fridays: 024
Mondays and Thursdays: 03
Tuesday and Thursday: 13
Tue and Thu: 13
Tues & Thurs: 13
Saturday and Sunday: 56
Sat & Sun: 56
Sat and Sun: 56
Saturdays and Sundays: 56
Sat, Sun: 56
Friday and Saturday: 45
Friday, Saturday and Sunday: 456
Fri, Sat, Sun: 456
Sunday and Monday: 06
Monday to Friday: 01234
Monday - Friday: 01234
Monday – Friday: 01234
Monday–Friday: 01234
Monday—Friday: 01234
Monday-Friday: 01234
Mon-Fri: 01234
Mon–Fri: 01234
Mon - Fri: 01234
Mon to Fri: 01234
Mon. to Fri.: 01234
Mon.–Fri.: 01234
Mon till Fri: 01234
Mon until Fri: 01234
Monday through Friday: 01234
Monday thru Friday: 01234
Mondays to Fridays: 01234
From Monday to Friday: 01234
Open Monday to Friday: 01234
We are open Monday to Friday: 01234
Monday to Saturday: 012345
Mon–Sat: 012345
Mon to Sat: 012345
Monday to Sunday: 0123456
Mon–Sun: 0123456
Tuesday to Friday: 1234
Tues to Fri: 1234
Tue–Fri: 1234
Tuesday till Friday: 1234
Tuesday to Saturday: 12345
Tue–Sat: 12345
Tues–Sat: 12345
Tuesday – Sunday: 123456
Tues to Thurs: 123
Tue to Thu: 123
Tuesday to Thursday: 123
Wednesday to Friday: 234
Wednesday to Saturday: 2345
Wed–Sat: 2345
Wed to Sun: 23456
Wednesday – Sunday: 23456
Thursday to Saturday: 345
Thurs to Sat: 345
Thurs–Sun: 3456
Thursday to Sunday: 3456
Friday to Sunday: 456
Fri–Sun: 456
Friday to Monday: 0456
Fri–Mon: 0456
Saturday to Monday: 056
Sat–Mon: 056
Sunday to Thursday: 01236
Sun–Thu: 01236
Sunday to Friday: 012346
Monday to Thursday: 0123
Mon–Thurs: 0123
Monday to Wednesday: 012
Mon–Wed: 012
Mon–Fri and Sun: 012346
Mon–Fri, Sun: 012346
Mon–Thu & Sat: 01235
Mon–Tue, Thu–Fri: 0134
Monday and Tuesday, Thursday to Saturday: 01345
Mon to Wed and Fri to Sat: 01245
Tuesday to Friday and Sunday: 12346
Tue–Thu, Sat: 1235
Wednesday, Friday to Sunday: 2456
Daily: 0123456
daily: 0123456
Open daily: 0123456
Every day: 0123456
Everyday: 0123456
All week: 0123456
Seven days a week: 0123456
7 days a week: 0123456
Open seven days a week: 0123456
Any day: 0123456
Weekdays: 01234
weekdays: 01234
Every weekday: 01234
On weekdays: 01234
Weekdays only: 01234
Working days: 01234
Weekends: 56
Every weekend: 56
Weekends only: 56
On weekends: 56
Weekdays and Saturday: 012345
Weekdays and Saturdays: 012345
Weekdays & Sunday: 012346
Weekdays, Sat: 012345
Weekends and Monday: 056
Weekends and Fridays: 456
Weekdays and weekends: 0123456
Daily except Sunday: 012345
Daily except Sundays: 012345
Daily but Monday: 123456
Daily except Monday and Tuesday: 23456
Every day except Sunday: 012345
Every day but Sunday: 012345
Every day except Mondays: 123456
Every day but Monday and Tuesday: 23456
Every day excluding Sunday: 012345
All week but Wednesday: 013456
Seven days a week except Tuesday: 023456
Weekdays except Wednesday: 0134
Weekdays but Friday: 0123
Mon–Fri except Wed: 0134
Monday to Friday except Wednesdays: 0134
Monday to Saturday but Thursday: 01245
Monday to Sunday except Tuesday and Wednesday: 03456
"""
LEFT_OUT = """
Every day of the week
Tuesday to Sunday, not Thursday
First Sunday of the month
1st Saturday
The first Saturday of every month
Second and fourth Tuesday
Last Friday of the month
Every other Monday
Every second Saturday
Alternate Tuesdays
Monday mornings
Tuesday evenings
Wednesday afternoon
Saturday night
Mondays from 6 pm
Monday 9am to 5pm
Mon 10–16
Monday to Friday by appointment
Tuesday to Friday, by appointment
By appointment
By appointment only
Please ring first
Weekdays and by appointment
Sundays by arrangement
On request
Closed
Closed on Mondays
Closed Monday
Not Sundays
Never on Sunday
Sunday closed
Sunday: closed
Tuesday to Sunday, closed Monday
Bank holidays
Monday to Friday, not bank holidays
Daily in summer
Summer: Monday to Friday
Monday to Friday in July
Mondays from May
May to September
Easter to October
Weekends in winter
Daily except in January
Every day except the first Monday
Monday to Friday term time
School holidays
Sometimes Saturday
Saturdays when the tide is out
Most Sundays
Monday?
Usually Tuesday to Friday
Tuesday or thereabouts
Market day
Sunrise to sunset
24 hours
Friday to
to Friday
5 December 2026
12/5
Sunday brunch
Monday club
Moonday
Friyay
Satellite office
Sunshine hours
The wedding season
Monument visits
"""


def test_there_are_enough_of_them() -> None:
    assert len(UNDERSTOOD.split("\n")) + len(LEFT_OUT.split("\n")) > 200


@pytest.mark.parametrize("line", UNDERSTOOD.strip().split("\n"))
def test_days_are_read(line: str) -> None:
    words, _, days = line.rpartition(": ")
    assert days_in(words) == [DAYS[int(day)] for day in days]


@pytest.mark.parametrize("line", LEFT_OUT.strip().split("\n"))
def test_what_is_not_true_of_every_week_is_left_out(line: str) -> None:
    assert days_in(line) == []
