"""Font files of the owner's, from upload to the draft."""

from __future__ import annotations

from yemba.core.site.own_fonts import own_family
from yemba.core.type.intake import clean_font_apart
from yemba.sites import services, uploads
from yemba.sites.models import Site


def take_in(site: Site, data: bytes, file_name: str) -> services.Done:
    """Keep a font file as an edit. Raises what `clean_font_apart` and `uploads.keep` raise; then nothing is kept."""
    font = clean_font_apart(data, file_name)
    family = own_family(font, uploads.keep(site.owner, font.data))
    return services.edit(site, "keep-font", {"family": family.model_dump(mode="json")})
