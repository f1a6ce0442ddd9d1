"""The menu: its entries, how they are marked, and how they open."""

from __future__ import annotations

from collections.abc import Iterator, Mapping

from yemba.core import room
from yemba.core.layout.arrangement import NONE
from yemba.core.message import Message
from yemba.core.site.header import gap
from yemba.core.site.navigation import grouped, name_of, siblings
from yemba.core.site.resolve import Look
from yemba.core.value.link import FILE, is_inner
from yemba.studio.desks.level import level_desk
from yemba.studio.desks.setting import Context, setting

_MOST_OFFERED = 200  # sections and entries that a list offers


def view(look: Look, query: Mapping[str, str]) -> Context:
    document = look.document
    entry = query.get("entry", "")
    return {
        "entries": list(_entries(look, entry)),
        "places": _sections(look),
        "room": room.LINKS.warning(len(document.navigation.links)),
        "gap": setting(look, "header.gap") | {"value": round(gap(look))},
        "styles": [setting(look, f"header.{name}") for name in ("current", "hover", "sub_ground", "panel")],
        "level": level_desk(look, "navigation"),
        "has_header": look.arrangement.menu != NONE,
    }


def _entries(look: Look, opened: str) -> Iterator[Context]:
    """Every entry, followed by those under it; `first` and `last` say how it stands among those beside it."""
    groups = grouped(look.document)
    for top in groups.get("", []):
        for key in (top, *groups.get(top, [])):
            over = "" if key == top else top
            beside = groups[over]
            ends = {"first": key == beside[0], "last": key == beside[-1]}
            yield _entry(look, key, over, key == opened) | ends


def _entry(look: Look, key: str, over: str, is_open: bool) -> Context:
    document = look.document
    link = document.navigation.links.get(key)
    own_name = "" if link else document.navigation.names.get(key, "")
    return {
        "id": key,
        "page": "" if link else document.pages[key].name,
        "called": name_of(document, key),
        "name": own_name or name_of(document, key),
        "shown": key not in document.navigation.hidden,
        "over": over,
        "link": link,
        "open": is_open,
        **(_opened(look, key) if is_open else {}),
    }


def _opened(look: Look, key: str) -> Context:
    document = look.document
    link = document.navigation.links.get(key)
    has_below = bool(siblings(document, key))
    others = [] if has_below else [one for one in siblings(document, "") if one != key]
    return {
        "has_below": has_below,
        "tops": [(one, name_of(document, one)) for one in others[:_MOST_OFFERED]],
        "lead": link.link if link else "",
        "elsewhere": link is not None and not is_inner(link.link),
    }


def _sections(look: Look) -> list[tuple[str, list[tuple[str, str]]]]:
    """What a link may lead to on the site: pages, each with its sections."""
    offered: list[tuple[str, list[tuple[str, str]]]] = []
    count = 0
    for key, page in look.document.ordered_pages():
        named: list[tuple[str, str]] = [(f"page:{key}", Message("{name}, from its top", name=page.name))]
        named += [(f"page:{key}#{one}", look.catalogue.kind(s.kind).name) for one, s in page.ordered()]
        count += len(named)
        if count > _MOST_OFFERED:
            break
        offered.append((page.name, named))
    files = [(f"{FILE}{key}", file.name) for key, file in look.document.files.items()]
    return [*offered, *([(Message("Files"), files)] if files else [])]
