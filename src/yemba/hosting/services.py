"""What other apps may ask of hosting, in one place."""

from yemba.hosting.flows.ahead import make_fonts_ahead
from yemba.hosting.flows.bring_back import bring_back, draft_from
from yemba.hosting.flows.draft_link import DRAFT_PREFIX, DRAFT_SECONDS, draft_token, site_for, start_for, start_token
from yemba.hosting.flows.export import write_out
from yemba.hosting.flows.publish import publish
from yemba.hosting.live import edition, editions, live_document, live_edition, live_state
from yemba.hosting.making import made, make_all, thumb, weigh, weigh_fonts
from yemba.hosting.rendering import live_address, origin, rendering
from yemba.hosting.unkept import QUERY, addressed, picture_at

__all__ = [
    "DRAFT_PREFIX",
    "DRAFT_SECONDS",
    "QUERY",
    "addressed",
    "bring_back",
    "draft_from",
    "draft_token",
    "edition",
    "editions",
    "live_address",
    "live_document",
    "live_edition",
    "live_state",
    "made",
    "make_all",
    "make_fonts_ahead",
    "origin",
    "picture_at",
    "publish",
    "rendering",
    "site_for",
    "start_for",
    "start_token",
    "thumb",
    "weigh",
    "weigh_fonts",
    "write_out",
]
