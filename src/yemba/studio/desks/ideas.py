"""Ideas for words, beside a field: what the stand-in writer proposes, and one's own words shorter or plainer."""

from __future__ import annotations

from collections.abc import Mapping
from itertools import islice
from urllib.parse import urlencode

from yemba.core.message import Message
from yemba.core.plainer import Reworded, plainer, shortened
from yemba.core.site.document import Section
from yemba.core.site.kinds import Field
from yemba.core.site.resolve import Look
from yemba.core.site.words import plain
from yemba.core.untrusted import whole
from yemba.standins import writer
from yemba.studio.desks.setting import Context

AT_ONCE = 4  # proposals
_WRITES = "en"


def ideas(look: Look, section: Section, key: str, item: str, field: Field, query: Mapping[str, str]) -> Context | None:
    """For a field of the section `key`, or of one of its items; None where the writer has nothing for it."""
    if not writer.writes(section.kind, field.slug):
        return None
    place = {"section": key, "ideas": field.slug} | ({"item": item} if item else {})
    if any(query.get(name, "") != place.get(name, "") for name in ("section", "ideas", "item")):
        return {"opens": _address(place)}
    stored = section.items[item].fields if item else section.fields
    return {"opened": True, "closes": _address({"section": key})} | _opened(look, section, stored, field, place, query)


def _opened(
    look: Look,
    section: Section,
    stored: Mapping[str, str],
    field: Field,
    place: dict[str, str],
    query: Mapping[str, str],
) -> Context:
    language = str(look.value("site.language"))
    if language.partition("-")[0] != _WRITES:
        return {"foreign": look.language.name}
    tone = query.get("tone", "")
    tone = tone if tone in writer.TONES else next(iter(writer.TONES))
    after = whole(query.get("after", "")) or 0
    words = stored.get(field.slug, "")
    proposals = list(
        islice(writer.proposals(_occasion(look, section, stored, field), tone), after, after + AT_ONCE + 1)
    )
    more = _address(place | {"tone": tone, "after": str(after + AT_ONCE)})
    return {
        "says": writer.SAYS,
        "trade": look.trade,
        "tones": [(name, _address(place | {"tone": slug}), slug == tone) for slug, name in writer.TONES.items()],
        "proposals": [(words_, plain(words) == words_) for words_ in proposals[:AT_ONCE]],
        "more": more if len(proposals) > AT_ONCE else "",
        "again": _address(place | {"tone": tone}) if after else "",
        "reworded": _reworded(words),
    }


def _occasion(look: Look, section: Section, stored: Mapping[str, str], field: Field) -> writer.Occasion:
    trade = look.starter_trade if look.starter_trade.phrases else look.catalogue.trade("something-else")
    phrases = trade.phrases
    if phrases is None:
        raise TypeError("the trade for all others has no phrases")
    kind = look.catalogue.kind(section.kind)
    heads = next((one.slug for one in (kind.items.fields if kind.items else ()) if one.heads), "")
    title = "" if heads == field.slug else stored.get(heads, "")
    aims = str(look.value("site.aims")).split()
    limit = field.limit if field.type == "line" else None
    town = str(look.value("site.town"))
    return writer.Occasion(kind.slug, field.slug, phrases, look.document.name, town, title, aims, limit)


def _reworded(words: str) -> list[tuple[str, str, Reworded]]:
    """One's own words shorter, and plainer, where the rules find anything: with a name and how they would read."""
    ways = ((Message("Shorten"), shortened(words)), (Message("Say it plainer"), plainer(words)))
    return [(name, plain(way.words), way) for name, way in ways if way.notes]


def _address(query: Mapping[str, str]) -> str:
    return f"?{urlencode(query)}"
