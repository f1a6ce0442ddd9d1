"""A whole site as files: path to content, made only when asked for."""

from __future__ import annotations

import json
from collections.abc import Callable
from functools import lru_cache, partial
from hashlib import sha256
from typing import NamedTuple

from yemba.core.picture import icons
from yemba.core.picture.sizes import resized, widths
from yemba.core.site.document import Picture
from yemba.core.site.resolve import Look
from yemba.render import pictures
from yemba.render.page import path_of, render_page
from yemba.render.site import Site
from yemba.render.style import Style, font_bytes, font_file, style, used_families


class File(NamedTuple):
    """`make` gives the bytes. `key` names content that always comes out the same, "" where only
    making it tells; what has been made once under a key need not be made again."""

    make: Callable[[], bytes]
    key: str = ""


def site_files(site: Site) -> dict[str, File]:
    """Every file of the site by its path."""
    look = site.look
    made = style(look, site.draft)
    sheets = _sheets(made, site.draft)
    preloads = _preloads(look)
    files = {f"assets/{name}": File(partial(text.encode)) for name, text in sheets.items()}
    for page_id, page in look.document.ordered_pages():
        files[path_of(page)] = File(partial(_page, site, page_id, list(sheets), preloads))
    files |= _fonts(look, site.draft)
    for picture in look.document.pictures.values():
        files |= _picture_files(site, picture)
    tiles = icon_tiles(site)
    made_of = _digest(b"".join(tiles))
    files |= {path: File(partial(_icon, tiles, path), f"icon:{made_of}:{path}") for path in icon_paths()}
    files["manifest.webmanifest"] = File(partial(_manifest, look))
    return files


def style_names(look: Look) -> list[str]:
    """The names of a draft's style files, rules before values."""
    return list(_sheets(style(look, draft=True), draft=True))


def _sheets(made: Style, draft: bool) -> dict[str, str]:
    """A draft's values stand in a file of their own, so that a change of colour moves only them."""
    texts = {"rules": made.rules, "values": made.values} if draft else {"site": made.rules + made.values}
    return {f"{name}.{_digest(text.encode())}.css": text for name, text in texts.items()}


def _digest(data: bytes) -> str:
    return sha256(data).hexdigest()[:10]


def _page(site: Site, page_id: str, sheets: list[str], preloads: list[str]) -> bytes:
    return render_page(site, page_id, sheets, preloads).encode()


def _preloads(look: Look) -> list[str]:
    """The upright Latin files: what the first screen is set in."""
    return [font_file(family, "normal", "latin") for family in used_families(look)]


def _fonts(look: Look, draft: bool) -> dict[str, File]:
    used = look.catalogue.families.values() if draft else used_families(look)
    return {
        f"assets/{(name := font_file(family, *which))}": File(partial(font_bytes, family, *which), f"font:{name}")
        for family in used
        for which in family.files
    }


def _picture_files(site: Site, picture: Picture) -> dict[str, File]:
    load = partial(site.load, picture.file)
    if picture.format == "svg":
        name = pictures.file_name(picture, picture.width, "svg")
        return {f"assets/{name}": File(load, f"picture:{name}")}
    wanted = [*((width, "webp") for width in widths(picture.width)), pictures.fallback(picture)]
    files = {}
    for width, form in wanted:
        name = pictures.file_name(picture, width, form)
        files[f"assets/{name}"] = File(lambda w=width, f=form: resized(load(), w, f), f"picture:{name}")  # type: ignore[misc]
    return files


def icon_paths() -> list[str]:
    """The paths of the icon set."""
    sized = [f"icons/icon-{size}.png" for size in (180, 192, 512)]
    return ["favicon.ico", "icons/icon.svg", *sized, "icons/maskable-192.png", "icons/maskable-512.png"]


def icon_tiles(site: Site) -> tuple[bytes, bytes]:
    """The plain and the maskable tile, as SVG."""
    look = site.look
    logo = look.document.pictures.get(look.value("logo.picture"))
    ground = look.grounds[look.value("header.ground")]
    if logo and look.value("logo.form") == "picture":
        data = site.load(logo.file)
        about = (data, logo.format, logo.width, logo.height, ground.fill)
        return icons.from_logo(*about), icons.from_logo(*about, icons.safe_share())
    family = look.family("type.heading")
    lead = look.grounds["strong"]
    weight = min(family.weights[1], 700)
    tile = icons.initial(look.document.name, family.face, weight, lead.fill, lead.text)
    return tile, tile


@lru_cache(maxsize=8)
def _icon_set(tile: bytes, maskable: bytes) -> dict[str, bytes]:
    return icons.icon_set(tile, maskable)


def _icon(tiles: tuple[bytes, bytes], path: str) -> bytes:
    return _icon_set(*tiles)[path]


def _manifest(look: Look) -> bytes:
    """W3C Web App Manifest."""
    listed = [
        {"src": f"icons/{name}-{size}.png", "sizes": f"{size}x{size}", "type": "image/png", "purpose": purpose}
        for name, purpose in (("icon", "any"), ("maskable", "maskable"))
        for size in (192, 512)
    ]
    fill = look.grounds[look.value("header.ground")].fill.hex
    about = {"name": look.document.name, "start_url": "./", "display": "browser", "icons": listed}
    return json.dumps(about | {"theme_color": fill, "background_color": fill}, ensure_ascii=False).encode()
