"""The logo of a site mended: each an edit like any other."""

from __future__ import annotations

from collections.abc import Iterator
from contextlib import suppress
from pathlib import PurePath

from yemba.core.change.commands.pictures import AddPicture
from yemba.core.change.operation import apply
from yemba.core.check.logo import is_faint_on, stands_on
from yemba.core.errors import Fault
from yemba.core.message import Message
from yemba.core.picture import logo as rules
from yemba.core.picture.intake import CleanPicture
from yemba.core.site.document import Document, Picture
from yemba.core.site.ids import new_id
from yemba.core.site.logo import NAMES, grounds_of, logo, logo_on, version_for
from yemba.core.site.pictures import picture_bytes
from yemba.core.site.resolve import Look
from yemba.core.value.kind import refuse_choice
from yemba.people.models import Person
from yemba.sites import services, uploads
from yemba.sites.catalogue import catalogue
from yemba.sites.models import Site

_MENDED = (rules.TRIM, rules.BACKGROUND, rules.ENCLOSED)
_VERSIONS = {name: key for key, name in NAMES.items()}


def mend(site: Site, act: str) -> services.Done:
    """Do to the logo what `act` names: one of the three acts of ``core.picture.logo``, or "light" or "dark", which
    makes that version. Raises Fault where there is no logo, or nothing to mend."""
    look = services.look(site)
    brought = logo(look)
    if brought is None:
        raise Fault("no-logo", Message("There is no logo to mend. Choose a file first."), "logo")
    if act in _VERSIONS:
        stored = _stored(site.owner, version(look, brought, act), brought, act)
        return services.edit(site, "add-picture", {"picture": new_id(), "use": f"logo-{act}", **stored})
    if act not in _MENDED:
        raise refuse_choice(act, Message("What is mended"), "act", [*_MENDED, *_VERSIONS])
    mended = rules.mended(picture_bytes(brought, look.load), brought.format, act)
    place = {"picture": look.value("logo.picture"), "mended": act}
    return services.edit(site, "mend-logo", {**place, **_stored(site.owner, mended, brought, "")})


def version(look: Look, brought: Picture, name: str) -> CleanPicture:
    """The "light" or "dark" version, in the text colour of the first ground that it is for."""
    on = [look.grounds[slug] for slug in grounds_of(look, _VERSIONS[name])]
    if not on:
        raise Fault("no-such-ground", Message("No ground asks for a {name} version.", name=name), "logo")
    return rules.version(picture_bytes(brought, look.load), brought.format, [ground.fill for ground in on], on[0].text)


def with_versions(document: Document, owner: Person) -> Document:
    """The document with the versions of its logo that the grounds of its parts ask for."""
    look = Look(document, catalogue())
    steps = [step for version in versions(look, owner) for step in version.plan(look, new_id)]
    return apply(document, steps)


def versions(look: Look, owner: Person) -> Iterator[AddPicture]:
    """The versions of a logo that the grounds of its parts ask for and that can be made, each the same every time."""
    made_for = set[str]()
    for ground in stands_on(look).values():
        original, on_ground = logo(look), logo_on(look, ground)
        if original is None or on_ground is None or on_ground.version_of or not is_faint_on(look, on_ground, ground):
            continue
        name = NAMES[version_for(look, ground)]
        if name in made_for:
            continue
        made_for.add(name)
        with suppress(Fault):
            stored = _stored(owner, version(look, original, name), original, name)
            arguments = {"picture": f"x{stored['file']}"[:9], "use": f"logo-{name}", **stored}
            yield AddPicture.model_validate(arguments)


def _stored(owner: Person, made: CleanPicture, brought: Picture, name: str) -> dict[str, str | int]:
    stem = PurePath(brought.name or "logo").stem.removesuffix(f", {name}")[:60]
    return {
        "file": uploads.keep(owner, made.data),
        "format": made.format,
        "width": made.width,
        "height": made.height,
        "file_name": f"{stem}, {name}.{made.format}" if name else f"{stem}.{made.format}",
    }
