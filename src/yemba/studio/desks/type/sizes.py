"""Sizes: the waterfall, base and ratio, and the controls of the level that is chosen."""

from __future__ import annotations

from collections.abc import Mapping
from itertools import islice

from yemba.core.check.legible import measure_remark, remarks
from yemba.core.language import reads_from_right
from yemba.core.layout.lines import broken
from yemba.core.message import Message
from yemba.core.site.catalogue import Family
from yemba.core.site.resolve import COMFORTABLE, Look
from yemba.core.site.settings import LIGATURES, NUMBERS
from yemba.core.site.texts import texts
from yemba.core.type.levels import LEVELS, Text, properties
from yemba.core.type.scale import PHONE_WIDTH
from yemba.render.fonts import called
from yemba.sites.models import Site
from yemba.studio.desks.level import level_desk
from yemba.studio.desks.setting import Context, setting

_SHOWN = ("h1", "h2", "h3", "h4", "h5", "h6", "lead", "body", "small", "title")
_RUNNING = ("lead", "body", "small")
_MARKS = (COMFORTABLE[0], 66, COMFORTABLE[1])  # characters; 66 is the ideal (Bringhurst, from memory)
_SAMPLED = 300  # texts looked at for words that show the levels
_LINES, _ROOM = 3, 620  # lines of running text shown; px of the drawing


def view(site: Site, look: Look, query: Mapping[str, str]) -> Context:
    level = query.get("level", "")
    chosen = level if level in LEVELS else "h1"
    words = _words(look)
    body = look.family("type.body")
    return {
        "falls": [_fall(look, slug, words[slug], chosen == slug) for slug in _SHOWN],
        "chosen": level_desk(look, chosen),
        "level_names": [(slug, known.name) for slug, known in LEVELS.items()],
        "scales": [_number(look, key) for key in ("type.base", "type.ratio", "type.base_phone", "type.ratio_phone")],
        "heading_weight": setting(look, "type.heading_weight"),
        "measure": _number(look, "type.measure"),
        "measure_remark": measure_remark(look),
        "numbers": setting(look, "type.numbers"),
        "numbers_choices": numbers if len(numbers := _numbers(body)) > 2 else [],
        "numbers_said": _numbers_said(body),
        "ligatures": setting(look, "type.ligatures"),
        "ligature_choices": [c for c in LIGATURES.items() if " " not in c[0] or "dlig" in body.facts.features],
        "has_ligatures": bool({"liga", "dlig"} & set(body.facts.features)),
        "hanging": setting(look, "type.hanging"),
        "room": _ROOM,
        "body_family": body,
    }


def _number(look: Look, key: str) -> Context:
    """A number with what is worked out for it where nobody set it."""
    sizes, ratio = look.sizes, look.value("type.ratio")
    effective = {
        "type.base_phone": f"{sizes['body'].low:.3g}",
        "type.ratio_phone": f"{look.phone_ratio:g}",
        "type.measure": f"{look.measure:g}",
        "type.ratio": f"{ratio:g}",
    }
    return setting(look, key) | ({"value": effective[key]} if key in effective else {})


def _numbers(body: Family) -> list[tuple[str, str]]:
    """The choices that the text's face has numerals for."""
    features = body.facts.features
    has = {"oldstyle-nums": "onum" in features or body.facts.old_style, "lining-nums": True, "normal": True}
    has["lining-nums"] = "lnum" in features or not body.facts.old_style
    return [(slug, name) for slug, name in NUMBERS.items() if has[slug]]


def _numbers_said(body: Family) -> Message:
    others = {"onum", "lnum"} & set(body.facts.features)
    match body.facts.old_style, bool(others):
        case True, True:
            return Message("The numbers of {name} are old-style.", name=body.name)
        case True, False:
            return Message("The numbers of {name} are old-style; it has no others.", name=body.name)
        case False, True:
            return Message("The numbers of {name} are lining.", name=body.name)
    return Message("The numbers of {name} are lining; it has no others.", name=body.name)


def _words(look: Look) -> dict[str, str]:
    """The owner's own words for every level: the first there are, and enough of them for running text."""
    samples: dict[str, list[str]] = {slug: [] for slug in LEVELS}
    for text in islice(texts(look), _SAMPLED):
        samples[text.level].append(text.words)
    headings = samples["h1"] + samples["h2"] + samples["h5"] or [look.document.name]
    running = max(samples["body"] + samples["lead"], key=len, default="")
    running = running or look.document.tagline or look.document.name
    words = {slug: of_level[0] for slug, of_level in samples.items() if of_level}
    spare = iter(headings[1:] + headings)
    for slug in ("h1", "h2", "h3", "h4", "h5", "h6"):
        if slug not in words:
            words[slug] = next(spare, headings[0])
    for slug in _RUNNING:
        words.setdefault(slug, running)
    return words | {"body": running}


def _fall(look: Look, slug: str, words: str, chosen: bool) -> Context:
    """A level in both widths at its true size."""
    text, family = look.texts[slug], look.face(slug)
    warned = [one.sentence for one in remarks(look, slug) if one.warns]
    keys = (f"{slug}.wide", f"{slug}.phone")
    return {
        "slug": slug,
        "name": LEVELS[slug].name,
        "chosen": chosen,
        "by_hand": any(look.resolve(f"{slug}.{name}").set_by_owner for name in properties(LEVELS[slug])),
        "warned": warned,
        "family": called(family),
        "weight": text.weight,
        "style": text.style,
        "spacing": f"{text.spacing:g}em",
        "stretch": f"{text.stretch}%",
        "line": text.line,
        "ends": [
            _drawn(look, slug, text.written(words), text, family, where) | {"key": key, "where": where}
            for key, where in zip(keys, (Message("wide"), Message("phone")), strict=True)
        ],
    }


def _drawn(look: Look, slug: str, words: str, text: Text, family: Family, where: str) -> Context:
    """Lines with their baselines, where the handle stands, and for running text the marks of the measure."""

    phone = where == "phone"
    size = text.size.low if phone else text.size.high

    def width(line: str) -> float:
        return family.width(line, size, text.weight, text.spacing, text.stretch, text.style)

    room = PHONE_WIDTH - 2 * look.template.measures.gutter if phone else _ROOM
    step = size * text.leading
    rtl = reads_from_right(words)
    if slug in _RUNNING:
        per_character = family.facts.average_width / family.facts.units_per_em * size
        fits = min(room / per_character, look.measure) if phone else look.measure
        room = min(room, fits * per_character)
        lines = broken(words, width, room, _LINES)
        marks = [{"n": n, "x": n * per_character} for n in _MARKS if n * per_character <= _ROOM]
        ruler = {"marks": marks, "characters": round(fits), "room": room}
    else:
        lines, ruler = broken(words, width, room, _LINES if phone else 1), None
    rows = [{"words": line, "y": round(step * n + size * 0.95, 1)} for n, line in enumerate(lines)]
    return {
        "size": size,
        "lines": rows,
        "height": round(step * len(lines) + size * 0.25, 1),
        "grip": round(size, 1),
        "end": round(min(_ROOM - 6, width(lines[0]) if lines else 0), 1),
        "rtl": rtl,
        "ruler": ruler,
        "shown": f"{size:.1f}",
    }
