"""The inbox: what visitors send through the contact forms of a live site."""

from __future__ import annotations

from collections.abc import Mapping
from datetime import timedelta
from typing import NamedTuple

from django.conf import settings
from django.utils import timezone
from django.utils.crypto import salted_hmac
from django.utils.html import format_html

from yemba.core.errors import Fault, Faults
from yemba.core.inbox.message import (
    ASKED,
    as_csv,
    no_such_form,
    no_such_message,
    no_such_state,
    read_sent,
    suspicion,
)
from yemba.core.message import in_english
from yemba.core.site.document import MAIN, Page, Section, Standing
from yemba.core.site.kinds import MESSAGES, SIGN_UPS
from yemba.hosting import services
from yemba.hosting.models import Message
from yemba.render.files import notice, notice_page
from yemba.render.fragment import At, form_again
from yemba.render.fragment import Form as Typed
from yemba.render.page import path_of
from yemba.render.recorder import Answers
from yemba.render.site import Site as Rendering
from yemba.sites.catalogue import catalogue
from yemba.sites.models import Site

_HOUR = timedelta(hours=1)
_MOST_OF_ONE = 20  # so that one sender's flood leaves room for all others


_TOO_MANY = "Too many messages came in this hour. Please try again later; your words stay here."
_GONE = "This form is no longer here, and your message was not sent. Your words:"


class Form(NamedTuple):
    """A contact form as it is live."""

    site: Rendering
    page: Page
    id: str
    section: Section

    @property
    def address(self) -> str:
        return f"/{path_of(self.page)}".removesuffix("index.html")

    def thanks(self) -> bytes:
        """The page that says a message has arrived."""
        phrase = self.site.look.language.phrase
        words = self.section.fields.get("thanks") or f"<p>{phrase('Thank you. Your message has arrived.')}</p>"
        back = phrase("Back to %(page)s", page=self.page.name)
        return notice_page(self.site, phrase("Sent"), notice(phrase("Sent"), words, back, self.address))

    def again(self, typed: Mapping[str, str], fault: Fault) -> bytes:
        """The form once more, with what was typed and what is wrong with it."""
        faults = fault.each if isinstance(fault, Faults) else [fault]
        entered = Typed(dict(typed), {one.field: one.sentence for one in faults})
        form = form_again(Answers(self.site), At("/"), self.id, self.section, entered)
        title = self.site.look.language.phrase("Please look again")
        return notice_page(self.site, title, form)


def form_of(site: Site, section: str) -> Form | None:
    """The form with this id on the live site, None where there is none; one that every page shares counts as of the
    first."""
    document = services.live_document(site)
    for standing in document.standing() if document else ():
        if document and standing.key == section and receives(standing.section):
            page = document.pages[standing.page or document.order[0]]
            rendering = services.rendering(document, address=services.live_address(site))
            seen = Answers(rendering).in_language(page.language or _language(standing)).site
            return Form(seen, page, section, standing.section)
    return None


def _language(standing: Standing) -> str:
    """The further language that a shared section is shown in alone, "" for any other."""
    return "" if standing.section.language in ("", MAIN) else standing.section.language


def gone(site: Site, words: str) -> bytes | None:
    """That a form is no longer there, with the words that were to be sent; None where nothing is live."""
    document = services.live_document(site)
    if document is None:
        return None
    rendering = services.rendering(document, address=services.live_address(site))
    phrase = rendering.look.language.phrase
    body = format_html("<p>{}</p><blockquote>{}</blockquote>", phrase(_GONE), words)
    title, onward = phrase("Not sent"), phrase("To %(name)s", name=document.name)
    return notice_page(rendering, title, notice(title, body, onward, "/"))


def receives(section: Section) -> bool:
    """Whether visitors send messages through a section."""
    return bool({MESSAGES, SIGN_UPS} & set(catalogue().kind(section.kind).roles))


def _asked(section: Section) -> tuple[str, ...]:
    """What must be filled in: of a sign-up the mail address alone."""
    return ("mail",) if SIGN_UPS in catalogue().kind(section.kind).roles else ASKED


def open_form(site: Site, section: str) -> Form:
    """As `form_of`. Raises Fault ``no-such-form``."""
    form = form_of(site, section)
    if form is None:
        raise no_such_form(section)
    return form


def receive(site: Site, form: Form, posted: Mapping[str, str], came_from: str) -> Message:
    """Keep what was sent, held back where it looks like no visitor's.

    Raises Faults of ``empty``, ``too-long`` and ``mail-unreadable``, or Fault ``too-many``.
    """
    phrase = form.site.look.language.phrase
    sent = read_sent(posted, form.section, phrase, _asked(form.section))
    now = timezone.now()
    lately = Message.objects.filter(site=site, sent_at__gte=now - _HOUR)
    sender = salted_hmac("yemba.sender", f"{site.pk}:{came_from}").hexdigest()[:32]
    from_there = lately.filter(sender=sender).count()
    if from_there >= _MOST_OF_ONE or lately.count() >= settings.MOST_MESSAGES:
        raise Fault("too-many", phrase(_TOO_MANY))
    earlier = set(Message.objects.filter(site=site, words=sent.words).values_list("words", flat=True)[:1])
    reason = suspicion(sent, posted, earlier, from_there)
    return Message.objects.create(
        site=site,
        state=Message.State.HELD if reason else Message.State.NEW,
        reason=in_english(reason),
        page=form.page.name,
        name=sent.name,
        mail=sent.mail,
        words=sent.words,
        answers=sent.answers,
        sender=sender,
        sent_at=now,
    )


def messages(site: Site, state: str = "") -> list[Message]:
    """Newest first: those in a state, or all that came through and are not in the bin."""
    states = [state] if state else [Message.State.NEW, Message.State.READ]
    return list(Message.objects.filter(site=site, state__in=states))


def held_back(site: Site) -> int:
    """How many messages wait to be looked at, since they look like no visitor's."""
    return Message.objects.filter(site=site, state=Message.State.HELD).count()


def unread(site: Site) -> int:
    return Message.objects.filter(site=site, state=Message.State.NEW).count()


def move(site: Site, number: int, state: str) -> Message:
    """Put a message into another state. Raises Fault ``no-such-message`` or ``no-such-state``."""
    if state not in Message.State.values:
        raise no_such_state(state)
    message = Message.objects.filter(site=site, pk=number).first()
    if message is None:
        raise no_such_message()
    message.state = state
    message.save(update_fields=["state"])
    return message


def export(site: Site) -> str:
    """All messages that came through, as CSV, oldest first."""
    rows = (
        {
            "Sent": message.sent_at.isoformat(timespec="seconds"),
            "Name": message.name,
            "Mail address": message.mail,
            "Message": message.words,
            "Page": message.page,
            **message.answers,
        }
        for message in reversed(messages(site))
    )
    return as_csv(rows)
