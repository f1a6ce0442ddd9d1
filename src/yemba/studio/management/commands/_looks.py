"""Sites in every template, kind and layout, on words of many sorts, and what a browser finds wrong with them."""

from __future__ import annotations

from collections.abc import Callable, Collection, Iterable, Iterator, Mapping
from datetime import date
from functools import cache
from io import BytesIO
from pathlib import Path
from tempfile import TemporaryDirectory
from typing import Any, NamedTuple
from urllib.parse import unquote, urlsplit

import numpy as np
from PIL import Image, ImageDraw

from yemba.core.colour.contrast import LARGE, TEXT
from yemba.core.colour.oklch import LINEAR
from yemba.core.site.backdrop import of_header, of_section, reads_from
from yemba.core.site.catalogue import Catalogue
from yemba.core.site.document import Document
from yemba.core.site.kinds import Field, SectionKind
from yemba.core.site.resolve import Look
from yemba.core.site.starter import starter
from yemba.hosting import services as hosting
from yemba.render.files import site_files
from yemba.render.site import Site
from yemba.studio.management.commands._judges import of_axe, of_nu

WIDTHS = (240, 320, 390, 768, 1024, 1280, 1920)
DENSITIES = (1, 2, 3)
_DAY = date(2026, 3, 2)
_ADDRESS = "http://look.example/"
_FUNCTIONS = (Path(hosting.__file__).parent / "overflow.js", Path(__file__).with_suffix(".js"))
_SHARP = (1.0, 1.6)  # how many pixels a bitmap may have for one that is drawn
_PATIENCE = 180_000  # ms; pictures and fonts are made as a page asks for them
_KINDS = {"html": "text/html; charset=utf-8", "css": "text/css", "svg": "image/svg+xml"}
_FONTS: dict[str, bytes] = {}
"""Fonts as they were cut, by their names."""
_CELL = 9  # px; squares over which a picture under text is averaged, about an x-height
_READS = 0.93  # the share of them on which text must read


class Words(NamedTuple):
    """Words of one sort: the language they are in, and what stands in fields of these names; "" for all others."""

    language: str
    line: str
    words: str
    own: Mapping[str, str] = {}


WORDS = {
    "short": Words("en-GB", "A", "<p>A.</p>", {"price": "9", "mail": "a@b.example", "days": "Mon"}),
    "long": Words(
        "de",
        "Restaurierungsarbeiten und Buchbinderei",
        "<h3>Öffnungszeiten der Werkstattgemeinschaft</h3><p>Wir binden Bücher, Kassetten und Sammelmappen "
        "für Universitätsbibliotheken, Vereine und Haushalte.</p><ul><li>Donaudampfschifffahrt</li></ul>",
        {
            "price": "from 125,000.50",
            "mail": "the-bindery-at-the-old-slipway@saltmarsh-bookbinding.example",
            "telephone": "+44 1632 960 001 extension 2245",
            "days": "Tuesday to Friday and every first Saturday of the month",
            "title": "Photography and Bookbinding",
            "button": "Termin vereinbaren für Restaurierungsarbeiten",
        },
    ),
    "arabic": Words("ar", "ترميم الكتب القديمة في المدينة", "<p>نعمل على تجليد والورق منذ سنوات طويلة.</p>"),
    "polish": Words("pl", "Źdźbło i żółta oprawa książek", "<p>Oprawiamy księgi i pudełka; źródła od ręki.</p>"),
    "greek": Words("el", "Βιβλιοδεσία και χαρτί", "<p>Δένουμε βιβλία με το χέρι, ώστε να ανοίγουν επίπεδα.</p>"),
}
PICTURES = {"tall": (1200, 1800), "wide": (1800, 1200)}
"""Sizes in px of the pictures that are drawn for it."""


def pictures() -> tuple[dict[str, Any], dict[str, bytes]]:
    """Two drawn pictures as documents keep them, and their bytes by file."""
    store = {name: _drawn(*size) for name, size in PICTURES.items()}
    kept = {
        name: {"file": name, "format": "jpeg", "width": width, "height": height, "alt": "A drawing"}
        for name, (width, height) in PICTURES.items()
    }
    return kept, store


@cache
def _drawn(width: int, height: int) -> bytes:
    """Stripes from dark to light, with a dark and a light disc: text over it meets every tone."""
    picture = Image.new("RGB", (width, height))
    pen = ImageDraw.Draw(picture)
    for number in range(12):
        tone = 20 + number * 20
        pen.rectangle((0, number * height // 12, width, (number + 1) * height // 12), fill=(tone, tone, 255 - tone))
    pen.ellipse((width * 0.1, height * 0.55, width * 0.35, height * 0.75), fill=(12, 16, 14))
    pen.ellipse((width * 0.6, height * 0.1, width * 0.85, height * 0.3), fill=(250, 244, 226))
    out = BytesIO()
    picture.save(out, "JPEG", quality=88)
    return out.getvalue()


def document(catalogue: Catalogue, template: str, words: Words, kept: Mapping[str, Any]) -> Document:
    """A site with a page for each kind: a section in every layout it has, and one on a picture."""
    pages = {kind.slug: _page(kind, words) for kind in catalogue.kinds.values()}
    plain = {
        "name": words.line,
        "tagline": words.line,
        "template": template,
        "site": {"site.language": words.language},
        "parts": {"header.tagline": True, "header.backdrop": "wide", "header.tint": 100},
        "pages": pages,
        "order": list(pages),
        "pictures": dict(kept),
    }
    return _tinted(Document.model_validate(plain), catalogue)


def _page(kind: SectionKind, words: Words) -> dict[str, Any]:
    sections = {}
    for number, layout in enumerate([*kind.layout_names(), None]):
        section = starter(kind, _ids(f"{kind.slug}{number}"))
        section["fields"] = _filled(kind.fields, words)
        for item in section.get("items", {}).values():
            item["fields"] = _filled(kind.items.fields, words)  # type: ignore[union-attr]
        if layout is None:
            section["fields"] |= {"backdrop": "tall", "tint": "100"}
        else:
            section["layout"] = layout
        sections[f"s{number}"] = section
    return {"name": kind.name, "slug": kind.slug, "sections": sections, "order": list(sections)}


def _ids(prefix: str) -> Any:
    counter = iter(range(1000))
    return lambda: f"{prefix}i{next(counter)}".replace("-", "")


def _filled(fields: Iterable[Field], words: Words) -> dict[str, str]:
    of_type = {"line": words.line, "words": words.words, "link": "page:words", "picture": "wide", "date": "2026-09-12"}
    filled = {}
    for field in fields:
        value = words.own.get(field.slug) or of_type.get(field.type) or field.starter
        typed = value[: field.limit] if field.type == "line" else value
        filled[field.slug] = typed if field.type in ("picture", "link") else field.read(typed)
    return filled


def _tinted(site: Document, catalogue: Catalogue) -> Document:
    """With every tint at the least that is offered."""
    look, store = Look(site, catalogue), pictures()[1]
    plain = site.plain()
    header = of_header(look)
    least = reads_from(look, header, store.__getitem__) if header else None
    plain["parts"]["header.tint"] = least if least is not None else 100
    for standing in site.standing():
        behind = of_section(look, standing.section)
        least = reads_from(look, behind, store.__getitem__) if behind else None
        if least is not None:
            plain["pages"][standing.page]["sections"][standing.key]["fields"]["tint"] = str(least)
    return Document.model_validate(plain)


class Looks:
    """A site served to a browser out of memory, page after page."""

    def __init__(
        self,
        browser: Any,
        site: Document,
        catalogue: Catalogue,
        kinds: Collection[str] = (),
        load: Callable[[str], bytes] | None = None,
    ) -> None:
        """With the pages of these kinds alone, where any are named. `load` gives the bytes of a picture by its file,
        where they are others than `pictures` draws."""
        load = load or pictures()[1].__getitem__
        self.files = site_files(Site(Look(site, catalogue), _DAY, load, draft=False, address=_ADDRESS))
        self.kinds = kinds
        self.browser, self.site, self._kept = browser, site, dict[str, bytes]()

    def paths(self) -> list[str]:
        pages = [path for path in self.files if path.endswith("index.html")]
        return [path for path in pages if not self.kinds or path.partition("/")[0] in self.kinds]

    def page(self, width: int, density: int = 1) -> Any:
        """A window on it."""
        context = self.browser.new_context(viewport={"width": width, "height": 900}, device_scale_factor=density)
        page = context.new_page()
        page.set_default_timeout(_PATIENCE)
        page.route("**/*", self._answer)
        return page

    def open(self, page: Any, path: str) -> None:
        page.goto(_ADDRESS + path)
        page.evaluate("document.fonts.ready")

    def _answer(self, route: Any) -> None:
        path = unquote(urlsplit(route.request.url).path.lstrip("/"))
        path = path if path in self.files else f"{path}index.html"
        if path not in self.files:
            route.fulfill(status=404, body="")
            return
        kind = {"html": "text/html; charset=utf-8", "css": "text/css", "svg": "image/svg+xml"}.get(
            path.rpartition(".")[2]
        )
        route.fulfill(status=200, body=self.made(path), headers={"Content-Type": kind} if kind else {})

    def made(self, path: str) -> bytes:
        """The bytes of one of its files."""
        if path not in self._kept:
            file = self.files[path]
            if path.endswith(".woff2"):  # whose name tells what was cut
                self._kept[path] = _FONTS[path] = _FONTS.get(path) or file.make()
            else:
                self._kept[path] = file.recording.make()[0] if file.recording else file.make()
        return self._kept[path]


def findings(looks: Looks, widths: Iterable[int] = WIDTHS, *, judged: bool = True) -> Iterator[str]:
    """All that is wrong at these widths: what runs out of its room, words that break, letters of another font, text
    that does not read on its picture, a jump in the headings; and, where it is `judged`, what axe and Nu find."""
    if judged:
        yield from of_html(looks)
    for number, width in enumerate(widths):
        page = looks.page(width)
        for path in looks.paths():
            looks.open(page, path)
            yield from (f"{path} at {width}: {what}" for what in of_boxes(page))
            if number == 0:
                yield from (f"{path}: {what}" for what in (*of_letters(page), *of_outline(page)))
            if width in (390, 1280):
                accessible = of_axe(page) if judged else ()
                yield from (f"{path} at {width}: {what}" for what in (*of_contrast(page), *accessible))
        page.context.close()


def _asked(what: str) -> str:
    """An expression with the functions that pages are asked by."""
    functions = "\n".join(file.read_text() for file in _FUNCTIONS)
    return f"(() => {{ {functions}\nreturn {what}; }})()"


def of_boxes(page: Any) -> list[str]:
    """Boxes and lines that run out of their room, and words broken in their middle."""
    over, broken = page.evaluate(_asked("[measures.overflowing(), measures.brokenWords()]"))
    return [f"{one['what']} is {one['over']} px out" for one in over] + [f"{word} breaks" for word in broken]


def of_html(looks: Looks) -> list[str]:
    """Errors of the Nu HTML checker."""
    with TemporaryDirectory() as folder:
        files = {path: Path(folder, path.replace("/", "-")) for path in looks.paths()}
        for path, file in files.items():
            file.write_bytes(looks.made(path))
        return [error.removeprefix(f"{folder}/") for error in of_nu(files.values())]


def of_outline(page: Any) -> list[str]:
    """Headings that jump a level."""
    levels = page.evaluate("[...document.querySelectorAll('h1,h2,h3,h4,h5,h6')].map((e) => Number(e.tagName[1]))")
    pairs = zip([0, *levels], levels, strict=False)
    return [f"a heading {level} after a heading {before}" for before, level in pairs if level > before + 1]


def of_letters(page: Any) -> list[str]:
    """Fonts of the machine that stood in for letters that the site's own did not have."""
    session = page.context.new_cdp_session(page)
    session.send("DOM.enable")
    session.send("CSS.enable")
    root = session.send("DOM.getDocument", {"depth": 0})["root"]["nodeId"]
    ids = session.send("DOM.querySelectorAll", {"nodeId": root, "selector": "body *"})["nodeIds"]
    strange: dict[str, int] = {}
    for node in ids:
        for font in session.send("CSS.getPlatformFontsForNode", {"nodeId": node})["fonts"]:
            if not font["isCustomFont"]:
                strange.setdefault(font["familyName"], node)
    session.detach()
    return [f"{name} of the machine stood in" for name in strange]


def of_bitmaps(page: Any) -> list[str]:
    """Pictures that come with fewer pixels than are drawn, or with many more; those that lie under a tint left out.

    A browser may take the larger one that it has for another place: too large is what a place itself asks for.
    """
    drawn = page.evaluate(_asked("looks.bitmaps()"))
    wrong = [f"{one['source']} has no width and height" for one in drawn if not one["sized"]]
    for one in (one for one in drawn if not one["behind"]):
        enough = one["own"] / max(1.0, one["wanted"]) >= _SHARP[0] or one["own"] == one["most"]
        if not enough or (one["meant"] / max(1.0, one["wanted"]) > _SHARP[1] and one["meant"] > 400):
            wrong.append(f"{one['source']}: {one['own']} px for {one['wanted']:.0f} drawn")
    return wrong


def of_contrast(page: Any) -> list[str]:
    """Text that does not read on the picture behind it, by the pixels that are drawn there."""
    texts = page.evaluate(_asked("looks.textsOnPictures()"))
    if not texts:
        return []
    style = page.add_style_tag(
        content=".has-backdrop * { color: transparent !important; text-shadow: none !important; "
        "text-decoration-color: transparent !important; -webkit-text-stroke: 0 !important; }"
    )
    shot = Image.open(BytesIO(page.screenshot(full_page=True))).convert("RGB")
    style.evaluate("e => e.remove()")
    wrong = []
    for text in texts:
        x, y, width, height = text["box"]
        box = (
            max(0, round(x)),
            max(0, round(y)),
            min(shot.width, round(x + width)),
            min(shot.height, round(y + height)),
        )
        if box[2] - box[0] < 2 or box[3] - box[1] < 2:
            continue
        share = _reading(shot.crop(box), text["color"], LARGE if text["large"] else TEXT)
        if share < _READS:
            wrong.append(f"“{text['words']}” reads on {share:.0%} of the picture behind it")
    return wrong


def _reading(behind: Image.Image, ink: str, required: float) -> float:
    """The share of squares on which a colour has the contrast that is required."""
    columns = max(1, round(behind.width / _CELL))
    rows = max(1, round(behind.height / _CELL))
    cells = behind.resize((columns, rows), Image.Resampling.BOX)
    under = _luminance(np.asarray(cells, dtype=np.float64).reshape(-1, 3)) + 0.05
    channels = ink.removeprefix("rgb(").removesuffix(")").split(",")
    text = _luminance(np.array([[float(channel) for channel in channels]])) + 0.05
    contrast = np.maximum(text, under) / np.minimum(text, under)
    return float(np.mean(contrast >= required))


def _luminance(colours: np.ndarray) -> np.ndarray:
    """Relative luminance of rows of channels from 0 to 255 (WCAG 2.2)."""
    linear = np.asarray(LINEAR)[np.round(colours).astype(int)]
    return np.asarray(linear @ np.array([0.2126, 0.7152, 0.0722]))
