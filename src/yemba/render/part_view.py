"""What a part's template may ask for; only what it does ask is recorded."""

from __future__ import annotations

from collections.abc import Callable
from typing import Any

from django.utils.safestring import SafeString

from yemba.core.part.part import Part
from yemba.core.picture.ornaments import ORNAMENTS
from yemba.core.site.navigation import Entry
from yemba.render import pictures, questions
from yemba.render.recorder import Recorder


class PartView:
    """A part on a page. `root` leads from there to the site's own address, `page` is the id of the page."""

    def __init__(
        self, part: Part, recorder: Recorder, root: str, page: str, sections: Callable[[], list[SafeString]]
    ) -> None:
        self._part = part
        self._ask = recorder.ask
        self._root = root
        self._page = page
        self._sections = sections

    @property
    def in_main_language(self) -> bool:
        """Whether its words are those of the main language, which are written in place."""
        return self._ask(questions.in_main_language)

    @property
    def ground(self) -> str:
        """The slug of the ground it stands on."""
        return self._ask(questions.ground_of_part, self._part.slug, self._page)

    @property
    def value(self) -> _Values:
        """Its settings by their names: `part.value.tint`."""
        return _Values(lambda name: self._ask(questions.value, f"{self._part.slug}.{name}"))

    @property
    def filled(self) -> _Values:
        """Its lines by their names, {year} and {name} filled in."""
        return _Values(self._filled)

    def _filled(self, name: str) -> str:
        line = str(self._ask(questions.value, f"{self._part.slug}.{name}"))
        line = line.replace("{year}", str(self._ask(questions.year)))
        return line.replace("{name}", self._ask(questions.site_name))

    @property
    def home(self) -> str:
        """The address of the page that the site begins with, in the language of this one."""
        return href(self._root, self._ask(questions.home))

    @property
    def switch(self) -> list[dict[str, str]]:
        """The other languages of the site, each with its address from here."""
        ways = self._ask(questions.switch, self._page)
        return [{"tag": tag, "name": name, "href": href(self._root, path)} for tag, name, path in ways]

    @property
    def site_name(self) -> str:
        return self._ask(questions.site_name)

    @property
    def longest(self) -> str:
        """How wide the longest word of the name is, as headings are marked; "" where it fits everywhere."""
        return str(self._ask(questions.longest_in_title))

    @property
    def title(self) -> str:
        """Where the name or the logo stands: "both", "wide" or "phone"; "" where nowhere."""
        return self._ask(questions.shown_title)

    @property
    def wordmark(self) -> dict[str, Any]:
        """The lines of the name, with the letter or the path of the ornament beside them."""
        mark = self._ask(questions.wordmark)
        ornament = ORNAMENTS.get(mark.ornament)
        path = ornament.path if ornament else ""
        return {"lines": mark.lines, "letter": mark.letter, "path": path, "beside": bool(mark.letter or path)}

    @property
    def tagline(self) -> str:
        return self._ask(questions.tagline)

    @property
    def entries(self) -> list[dict[str, Any]]:
        """The menu, each entry with its address from here and what is below it; `within` says that the page is."""
        return [self._entry(entry) for entry in self._ask(questions.entries)]

    @property
    def lists(self) -> list[dict[str, Any]]:
        """The menu in lists: one, or one on each `side` of a title that stands between them."""
        every = self.entries
        half = self._ask(questions.entries_before_title)
        if half is None:
            return [{"side": "", "entries": every}] if every or self.switches else []
        both = {"before": every[:half], "after": every[half:]}
        return [{"side": side, "entries": listed} for side, listed in both.items() if listed]

    @property
    def switches(self) -> bool:
        """Whether the part leads to other languages."""
        return bool(self._ask(questions.value, f"{self._part.slug}.switch") and self.switch)

    @property
    def is_there(self) -> bool:
        """Whether the site has a header at all."""
        return self._ask(questions.has_header)

    @property
    def marks(self) -> str:
        """Classes for what its owner set of it."""
        return self._ask(questions.header_marks)

    @property
    def action(self) -> dict[str, str] | None:
        """The call to action, with its address from here; None where there is none that leads anywhere."""
        key = f"{self._part.slug}.action"
        words = str(self._ask(questions.value, key))
        link = self._ask(questions.path, self._ask(questions.value, f"{key}_link"))
        style = self._ask(questions.value, f"{key}_style")
        if not words or not link:
            return None
        return {"words": words, "href": href(self._root, link), "style": style}

    @property
    def extra(self) -> dict[str, Any] | None:
        """The small picture of the header, with its address from here where it leads somewhere."""
        small = self._ask(questions.header_extra)
        if small is None:
            return None
        picture, link, mirrored, faint = small
        classes = [*(["mirrored"] if mirrored else []), *(["faint"] if faint else [])]
        image = pictures.logo(picture, self._root, picture.alt)
        return {**image, "href": href(self._root, link), "classes": " ".join(["extra", *classes])}

    @property
    def over_picture(self) -> bool:
        """Whether it stands over a section with a picture behind it."""
        return self._ask(questions.stands_over_picture, self._page)

    @property
    def trail(self) -> list[dict[str, Any]]:
        """The entries that lead to the page, its own last."""
        return [self._entry(entry) for entry in self._ask(questions.trail, self._page)]

    def _entry(self, entry: Entry) -> dict[str, Any]:
        return {
            "key": entry.key,
            "name": entry.name,
            "href": href(self._root, entry.link),
            "current": entry.key == self._page,
            "within": any(below.key == self._page for below in entry.below),
            "below": [self._entry(below) for below in entry.below],
        }

    @property
    def logo(self) -> dict[str, Any] | None:
        """The logo's picture on the ground of the part, None where the name stands for it."""
        picture = self._ask(questions.logo, self.ground)
        return pictures.logo(picture, self._root, self.site_name) if picture else None

    @property
    def pointed(self) -> dict[str, Any] | None:
        """The picture in the logo's place under the pointer."""
        picture = self._ask(questions.logo_pointed)
        return pictures.logo(picture, self._root, "") if picture else None

    @property
    def footer(self) -> dict[str, Any]:
        """Classes for what its owner set of the footer, its mark in the stylesheet, and whether it names the site."""
        classes, mark, named = self._ask(questions.footer_marks)
        return {"classes": classes, "mark": mark, "named": named}

    @property
    def backdrop(self) -> dict[str, Any] | None:
        """The picture behind it, of the setting "SLUG.backdrop", where it is shown."""
        picture = self._ask(questions.backdrop, self._part.slug)
        return pictures.shown(picture, self._root) if picture else None

    @property
    def side(self) -> str:
        """Where the sidebar stands on the page: "start", "end" or "none"."""
        return self._ask(questions.sidebar_on, self._page)

    @property
    def shows(self) -> str:
        """Classes for what is behind the page; "" where nothing of it is seen."""
        return self._ask(questions.background_marks)

    @property
    def tile(self) -> tuple[float, float] | None:
        """Width and height in px of a tile of the picture behind the page; None where it is no tile."""
        return self._ask(questions.background_tile)

    @property
    def sections(self) -> list[SafeString]:
        """The sections it holds, rendered."""
        return self._sections()


class _Values:
    """Looked up by name in a template."""

    def __init__(self, look_up: Callable[[str], Any]) -> None:
        self._look_up = look_up

    def __getitem__(self, name: str) -> Any:
        return self._look_up(name)


def href(root: str, path: str) -> str:
    """The address of a link, as ``questions.path`` gives it, as seen from a place."""
    if not path.startswith("/"):
        return path
    inner = path.removeprefix("/")
    return f"{root}{inner}" if inner and not inner.startswith("#") else f"{root or './'}{inner}"
