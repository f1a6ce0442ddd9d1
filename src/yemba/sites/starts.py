"""The start of a site: what its owner gives, the plan of its pages, the looks worked out from both, and the choice."""

from __future__ import annotations

from collections.abc import Callable, Mapping, Sequence
from functools import partial
from typing import Any

from django.db import transaction

from yemba.catalogue import palettes
from yemba.core.cache import Cache
from yemba.core.change.command import read_command
from yemba.core.change.operation import apply
from yemba.core.colour.files import no_colours, read_palette
from yemba.core.colour.from_picture import from_picture
from yemba.core.colour.oklch import to_oklch
from yemba.core.colour.srgb import Colour, misread
from yemba.core.errors import Fault, Faults
from yemba.core.first_look.brief import Brief
from yemba.core.first_look.looks import FirstLook, dressed, rounds
from yemba.core.first_look.shape import shape_of
from yemba.core.limits import NAME_LETTERS, TOWN_LETTERS, TRADE_LETTERS
from yemba.core.message import Message, in_english, labels, plain
from yemba.core.picture.drawing import raster
from yemba.core.picture.intake import CleanPicture, clean_picture
from yemba.core.picture.logo import BACKGROUND, TRIM, mended_by_itself
from yemba.core.site.document import Document
from yemba.core.site.ids import new_id
from yemba.core.site.pictures import uses
from yemba.core.site.resolve import Look
from yemba.core.site.settings import setting
from yemba.core.trade.begin import Beginning
from yemba.core.trade.finding import nearest_trade
from yemba.core.trade.plan import PlannedPage, merged, proposed
from yemba.core.trade.trade import Trade, kind_of
from yemba.core.value.line import Line
from yemba.people.models import Person
from yemba.sites import services, store, uploads
from yemba.sites.addresses import check_address, free_address
from yemba.sites.catalogue import catalogue
from yemba.sites.logos import versions, with_versions
from yemba.sites.models import Site, Start

SETTINGS = ("site.language", "site.currency", "site.time_zone")
PICTURES = labels({"logo": "The logo", "photo": "The photo"})
_OPEN = 5  # starts that one person may have unfinished; the oldest falls away
_SIDE = 512  # px that drawings are looked at in
_CODES = 6  # colours that are designed with


def begin(owner: Person) -> Start:
    """A new one; the oldest of those that lead to no site yet fall away."""
    old = Start.objects.filter(owner=owner, site=None).values_list("pk", flat=True)[_OPEN - 1 :]
    Start.objects.filter(pk__in=list(old)).delete()
    return Start.objects.create(owner=owner)


def unfinished(owner: Person) -> Start | None:
    """The last that has a name and leads to no site yet."""
    return next((start for start in Start.objects.filter(owner=owner, site=None) if start.answers.get("title")), None)


def answer(start: Start, typed: Mapping[str, Any], files: Mapping[str, tuple[bytes, str]]) -> None:
    """Keep what was given: `typed` by field, `files` with their names by use. What is right is kept even where
    something else is wrong. Raises Faults, each beside its field."""
    before, wrong = start.answers, list[Fault]()
    readings: dict[str, Callable[[], Any]] = {field: partial(_READERS[field], typed[field]) for field in typed}
    readings |= {use: partial(_TAKEN_IN[use], start.owner, *file) for use, file in files.items()}
    answers = dict(before)
    for field, read in readings.items():
        try:
            answers[field] = read()
        except Fault as fault:
            wrong.append(Fault(fault.code, fault.sentence, field))
    start.answers = answers
    if not wrong:
        start.document = ""
        if not start.plan or any(answers.get(field) != before.get(field) for field in _PLANNED_BY):
            start.plan = _stored(merged(plan_of(start), proposed(trade_of(start), answers["aims"].split())))
    start.save()
    if wrong:
        raise Faults(wrong)


def _readable(typed: str) -> str:
    """As typed, if there is any colour in it, and nothing that was meant as one and is none, or nothing at all."""
    if wrong := misread(typed):
        raise Fault("colour-unreadable", no_colours(wrong), "colours")
    if typed.strip():
        try:
            read_palette(typed)
        except Fault as fault:
            sentence = Message(
                "No colour was found in “{typed}”. Write codes such as #8c3b2a, one after another.",
                typed=typed.strip()[:40],
            )
            raise Fault(fault.code, sentence, "colours") from fault
    return typed


def _of_setting(key: str, typed: str) -> Any:
    return setting(key).kind.read_on(Look(services.empty(), catalogue()), typed, setting(key).name, key)


_READERS: dict[str, Callable[[Any], Any]] = {
    "title": lambda typed: Line(NAME_LETTERS, empty=False).read(typed, Message("The site’s name"), "title"),
    "trade": lambda typed: Line(TRADE_LETTERS).read(typed, Message("What you do"), "trade"),
    "town": lambda typed: Line(TOWN_LETTERS).read(typed, Message("Town"), "town"),
    "aims": lambda typed: setting("site.aims").read(typed),
    "colours": _readable,
    "slug": lambda typed: check_address(typed) if typed else "",
    **{key: partial(_of_setting, key) for key in SETTINGS},
}
_PLANNED_BY = ("trade", "aims")
"""Answers by which the plan is proposed anew."""


def _photo(owner: Person, data: bytes, name: str) -> dict[str, Any]:
    return _kept(owner, clean_picture(data, name), name)


def _logo(owner: Person, data: bytes, name: str) -> dict[str, Any]:
    """Mended where that asks for nobody's choice; how it came is kept beside it."""
    brought = clean_picture(data, name)
    logo, acts = mended_by_itself(brought)
    if not acts:
        return _kept(owner, brought, name)
    return {**_kept(owner, logo, name), "mended": sorted(acts), "as_it_came": _kept(owner, brought, name)}


def _kept(owner: Person, clean: CleanPicture, name: str) -> dict[str, Any]:
    about = {"format": clean.format, "width": clean.width, "height": clean.height, "name": name[:80]}
    return {"file": uploads.keep(owner, clean.data), **about}


_TAKEN_IN = {"logo": _logo, "photo": _photo}
_MENDED = {
    (BACKGROUND,): Message("The plain background of your logo was taken out."),
    (BACKGROUND, TRIM): Message("The plain background of your logo was taken out, and the empty room round it."),
    (TRIM,): Message("The empty room round your logo was taken out."),
}


def logo_note(start: Start) -> str:
    """What was done to the logo as it was taken in; "" for nothing."""
    acts = start.answers.get("logo", {}).get("mended", ())
    return _MENDED[tuple(acts)] if acts else ""


def use_logo_as_it_came(start: Start) -> None:
    """Nothing where there is no other than that."""
    logo = start.answers.get("logo", {})
    start.answers = start.answers | ({"logo": logo["as_it_came"]} if "as_it_came" in logo else {})
    start.document = ""
    start.save()


def take_out(start: Start, use: str) -> None:
    """Take the logo or the photo out of what was given."""
    start.answers = {key: value for key, value in start.answers.items() if key != use}
    start.save()


def trade_of(start: Start) -> Trade:
    """The nearest to the words it was named by."""
    trades = catalogue().trades
    named = str(start.answers.get("trade", ""))
    exact = next((one for one in trades.values() if named.strip().casefold() in _names(one)), None)
    return exact or trades[nearest_trade(named, trades.values())]


def _names(trade: Trade) -> tuple[str, str]:
    """In English and in the reader's language, in small letters."""
    return in_english(trade.name).casefold(), str(trade.name).casefold()


def plan_of(start: Start) -> list[PlannedPage]:
    return [
        PlannedPage(page["key"], page["name"], tuple(page["sections"]), page["kept"], tuple(page["without"]))
        for page in start.plan
    ]


def replan(start: Start, pages: Sequence[PlannedPage]) -> None:
    """Keep a plan; the site is made anew from it. Raises Fault beside a page's name."""
    start.plan = _stored(pages)
    start.document = ""
    start.save()


def _stored(pages: Sequence[PlannedPage]) -> list[dict[str, Any]]:
    """Names that Yemba proposes are kept in the language of who plans."""
    return [plain(page._asdict()) for page in pages]


def document(start: Start) -> Document:
    """The site as it would be made, in the first template there is; the same until the plan changes."""
    if not start.document:
        start.document = _document(start).text()
        start.save(update_fields=["document"])
    return services.read_again(start.document)


def _document(start: Start) -> Document:
    answers, trade = start.answers, trade_of(start)
    town = answers.get("town", "")
    values = {"site.trade": trade.slug, "site.town": town, "site.aims": answers["aims"]}
    values |= {key: answers[key] for key in SETTINGS if key in answers}
    values = {key: value for key, value in values.items() if value != setting(key).default}
    language = catalogue().language(answers.get("site.language", setting("site.language").default))
    beginning = Beginning(answers["title"], town, trade, catalogue(), new_id, language)
    template = next(iter(catalogue().templates))
    new = beginning.document(template, plan_of(start), values)
    for use in PICTURES:
        if use in answers:
            new = _with_picture(new, use, answers[use])
    needed = {picture for picture, places in uses(new).items() if places}
    pictures = {key: picture for key, picture in new.pictures.items() if key in needed}
    return new.model_copy(update={"pictures": pictures})


def _with_picture(document: Document, use: str, about: Mapping[str, Any]) -> Document:
    """The logo in the header, or the photo in the opening."""
    stored = {key: about[key] for key in ("file", "format", "width", "height")} | {"file_name": about["name"]}
    place: dict[str, str] = {"use": "logo"}
    if use == "photo":
        opening = next((one for one in document.standing() if one.section.kind == "opening"), None)
        place = {"use": "picture", "section": opening.key} if opening else {}
    command = read_command("add-picture", {"picture": new_id(), **stored, **place})
    return apply(document, command.plan(Look(document, catalogue()), new_id))


def brief_of(start: Start) -> Brief:
    """What looks are worked out from."""
    answers, site = start.answers, document(start)
    logo = answers.get("logo")
    return Brief(
        trade_of(start),
        tuple(answers["aims"].split()),
        tuple(kind_of(name) for page in plan_of(start) if page.kept for name in page.chosen),
        _letters(site),
        codes=_codes(str(answers.get("colours", ""))),
        logo=_logo_colours(logo),
        shape=shape_of(_pixels(logo)) if logo else None,
        photo=_photo_colours(answers.get("photo")),
    )


def _letters(site: Document) -> str:
    """Those of the name and of the town, which an owner wrote, and of the language."""
    look = Look(site, catalogue())
    return "".join(sorted({*site.name, *str(look.value("site.town")), *look.language.letters}))


def _codes(typed: str) -> tuple[Colour, ...]:
    if not typed.strip():
        return ()
    return tuple(colour for _, colour in read_palette(typed).colours[:_CODES])


def _logo_colours(about: Mapping[str, Any] | None) -> tuple[Colour, ...]:
    """Those of a logo, what covers most of it first."""
    shares = from_picture(_pixels(about)) if about else []
    return tuple(one.colour for one in sorted(shares, key=lambda one: -one.share))


def _photo_colours(about: Mapping[str, Any] | None) -> tuple[Colour, ...]:
    """Those of a photo, the strongest first."""
    shares = from_picture(_pixels(about)) if about else []
    return tuple(sorted((one.colour for one in shares), key=lambda colour: -to_oklch(colour).chroma))


def _pixels(about: Mapping[str, Any]) -> bytes:
    return raster(store.load(about["file"]), about["format"], _SIDE)


_LOOKS: Cache[str, list[list[FirstLook]]] = Cache(
    "first looks of new sites", most=2_000_000, weigh=lambda rounds: 6_000 * len(rounds)
)


_DRESSED: Cache[str, Document] = Cache(
    "new sites in their first looks", most=4_000_000, weigh=lambda document: 4 * len(document.text())
)


def looks(start: Start) -> list[list[FirstLook]]:
    """All rounds of three, worked out once for what was given."""
    key = f"{start.pk} {start.answers} {start.plan}"
    return _LOOKS.get_or_make(key, lambda: rounds(brief_of(start), catalogue(), palettes()))


def look(start: Start, number: int) -> FirstLook:
    """By its number through all rounds, from 0. Raises Fault ``no-such-look``."""
    every = [one for three in looks(start) for one in three]
    if not 0 <= number < len(every):
        raise Fault("no-such-look", Message("There is no look number {number}.", number=number), "look")
    return every[number]


def dressed_in(start: Start, number: int) -> Document:
    """The site in one of its looks, its logo in a version that reads there."""
    plain = dressed(document(start).plain(), look(start, number))
    return _DRESSED.get_or_make(
        f"{start.pk} {number} {start.document} {start.answers}",
        lambda: with_versions(Document.model_validate(plain), start.owner),
    )


@transaction.atomic
def choose(start: Start, number: int) -> Site:
    """Make the site in a look; once only, however often it is asked for.

    Raises Fault ``too-many`` or ``address-in-use``.
    """
    start = Start.objects.select_for_update().get(pk=start.pk)
    if start.site:
        return start.site
    services.room(start.owner).check(start.owner.sites.count(), "title")
    title = str(start.answers["title"])
    slug = check_address(str(start.answers.get("slug") or free_address(title)))
    document_text = dressed_in(start, number).text()
    start.site = Site.objects.create(owner=start.owner, slug=slug, document=document_text)
    start.save(update_fields=["site"])
    return start.site


def of_site(site: Site) -> Start | None:
    """The start that a site came from; None for one that was made otherwise."""
    return Start.objects.filter(site=site).first()


def take(site: Site, number: int) -> services.Done:
    """Put the site into another of its first looks, as one edit. Raises Fault ``no-such-look``."""
    start = of_site(site)
    if start is None:
        raise Fault("no-such-look", Message("This site has no first looks: it was not begun with any."), "look")
    chosen = look(start, number)
    arguments = {"title": chosen.name, "template": chosen.template, "values": chosen.sheet, "parts": chosen.parts}
    now = services.look(site)
    after = apply(now.document, read_command("take-look", arguments).plan(now, new_id))
    needed = [version.model_dump() for version in versions(Look(after, catalogue()), site.owner)]
    return services.edit(site, "take-look", arguments | {"versions": needed})
