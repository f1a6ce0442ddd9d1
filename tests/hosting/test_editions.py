"""Editions are named, compared page by page, planned for a set time; nothing stays behind that nothing points to."""

from __future__ import annotations

from datetime import timedelta
from pathlib import Path
from typing import Any

import pytest
from django.core.management import call_command
from django.test import Client
from django.utils import timezone

from yemba.catalogue import catalogue
from yemba.core.change.difference import difference
from yemba.core.errors import Fault
from yemba.hosting import editions, services
from yemba.hosting.models import Edition, Planned
from yemba.hosting.sweep import sweep
from yemba.people.models import Person
from yemba.sites import services as sites
from yemba.sites import store
from yemba.sites.models import Site

pytestmark = pytest.mark.django_db


def do(site: Site, command: str, **arguments: Any) -> None:
    sites.edit(Site.objects.get(pk=site.pk), command, arguments)


def fresh(site: Site) -> Site:
    return Site.objects.get(pk=site.pk)


@pytest.fixture
def twice(site: Site) -> Site:
    """Two editions: a page was renamed in one, one added, one binned."""
    services.publish(site)
    order = sites.document(site).order
    opening = sites.document(site).pages[order[0]].order[0]
    do(site, "set-words", section=opening, field="lead", words="Mended by hand.")
    do(site, "show-menu-entry", entry=order[2], shown=False)
    do(site, "add-page", page_name="News", page="xnews")
    do(site, "show-menu-entry", entry="xnews", shown=False)
    services.publish(fresh(site))
    return fresh(site)


def test_two_editions_are_compared_page_by_page(twice: Site) -> None:
    pages, changes = editions.compared(twice, 1, 2)
    states = {page.name: page.state for page in pages}
    assert states["News"] == "new"
    assert states["Home"] == "changed"
    assert "Page News" in {change.subject for change in changes}
    backwards, _ = editions.compared(twice, 2, 1)
    assert {page.name: page.state for page in backwards}["News"] == "gone"
    alike, none = editions.compared(twice, 2, 2)
    assert {page.state for page in alike} == {"same"}
    assert none == []
    with pytest.raises(Fault, match="no edition 9"):
        editions.compared(twice, 1, 9)


def test_an_edition_is_named_and_looked_at_as_it_was(twice: Site, ines: Person, client: Client) -> None:
    editions.rename(twice, 1, "  Before  the fair ")
    assert Edition.objects.get(site=twice, number=1).name == "Before the fair"
    with pytest.raises(Fault, match="At most 60"):
        editions.rename(twice, 1, "x" * 61)
    token = services.draft_token(twice, ines)
    host = {"SERVER_NAME": "draft--saltmarsh.localhost"}
    page = client.get(f"/~{token}/@edition/1/", **host)
    assert page.status_code == 200
    assert page.content == store.load(Edition.objects.get(site=twice, number=1).manifest["index.html"])
    assert client.get(f"/~{token}/@edition/1/news/", **host).status_code == 404
    assert client.get(f"/~{token}/@edition/2/news/", **host).status_code == 200
    assert client.get(f"/~{token}/@edition/x/", **host).status_code == 404


def planned(site: Site, keys: set[str], seconds: int = 60) -> Planned:
    live, draft = services.live_document(site), sites.document(fresh(site))
    assert live is not None
    changes = [change for change in difference(live, draft, catalogue()) if change.key in keys]
    document = draft
    from yemba.core.change.subset import document_with

    document = document_with(live, draft, keys, catalogue())
    return editions.plan(site, document, changes, timezone.now() + timedelta(seconds=seconds))


def test_what_is_planned_goes_out_at_its_time_and_not_before(site: Site) -> None:
    services.publish(site)
    do(site, "set-value", key="type.base", value=20)
    do(site, "set-value", key="shape.corner", value=9)
    planned(site, {"value.type.base"})
    assert editions.publish_due() == []
    do(site, "set-value", key="type.base", value=22)  # later edits do not go along
    (edition,) = editions.publish_due(timezone.now() + timedelta(minutes=2))
    live = services.live_document(site)
    assert live is not None
    assert (live.sheet, edition.changes) == ({"type.base": 20}, ["Base size: 20 px"])
    assert editions.planned(site) is None
    assert editions.publish_due(timezone.now() + timedelta(minutes=3)) == []


def test_a_plan_holds_when_something_else_went_out_before(site: Site) -> None:
    services.publish(site)
    do(site, "set-value", key="type.base", value=20)
    planned(site, {"value.type.base"})
    do(site, "return-value", key="type.base")
    do(site, "set-value", key="shape.corner", value=9)
    services.publish(fresh(site))
    editions.publish_due(timezone.now() + timedelta(minutes=2))
    live = services.live_document(site)
    assert live is not None
    assert live.sheet == {"type.base": 20, "shape.corner": 9}


def test_a_plan_is_replaced_called_off_and_never_for_the_past(site: Site) -> None:
    services.publish(site)
    do(site, "set-value", key="type.base", value=20)
    planned(site, {"value.type.base"})
    planned(site, {"value.type.base"}, 600)
    assert Planned.objects.count() == 1
    with pytest.raises(Fault, match="is past"):
        planned(site, {"value.type.base"}, -5)
    editions.cancel(site)
    assert editions.publish_due(timezone.now() + timedelta(days=1)) == []


def test_only_one_runner_takes_a_plan_and_a_dead_ones_is_taken_again(site: Site) -> None:
    services.publish(site)
    do(site, "set-value", key="type.base", value=20)
    plan = planned(site, {"value.type.base"})
    later = timezone.now() + timedelta(minutes=2)
    Planned.objects.filter(pk=plan.pk).update(begun_at=later)  # another runner has begun
    assert editions.publish_due(later + timedelta(minutes=1)) == []
    assert len(editions.publish_due(later + timedelta(minutes=11))) == 1


def test_a_fault_in_one_plan_is_kept_with_it_and_stops_no_other(site: Site, monkeypatch: pytest.MonkeyPatch) -> None:
    other = sites.create(site.owner, "Another", "another", "slipway")
    for one in (site, other):
        services.publish(one)
        do(one, "set-value", key="type.base", value=20)
        planned(one, {"value.type.base"})
    make = services.publish

    def torn(which: Site, *rest: Any, **more: Any) -> Edition:
        if which == site:
            raise OSError("the store is torn")
        return make(which, *rest, **more)

    monkeypatch.setattr(services, "publish", torn)
    (edition,) = editions.publish_due(timezone.now() + timedelta(minutes=2))
    assert edition.site == other
    assert "The log has it by the number" in Planned.objects.get().failed


def test_a_stop_right_after_publishing_does_not_publish_a_plan_again(
    site: Site, monkeypatch: pytest.MonkeyPatch
) -> None:
    services.publish(site)
    do(site, "set-value", key="type.base", value=20)
    planned(site, {"value.type.base"})
    make = services.publish

    def stopped(*rest: Any, **more: Any) -> Edition:
        make(*rest, **more)
        raise KeyboardInterrupt

    monkeypatch.setattr(services, "publish", stopped)
    with pytest.raises(KeyboardInterrupt):
        editions.publish_due(timezone.now() + timedelta(minutes=2))
    monkeypatch.setattr(services, "publish", make)
    do(site, "set-value", key="type.base", value=22)
    services.publish(fresh(site))
    assert editions.publish_due(timezone.now() + timedelta(hours=1)) == []
    live = services.live_document(site)
    assert live is not None
    assert live.sheet["type.base"] == 22


def test_a_plan_that_is_called_off_while_it_is_made_does_not_go_out(site: Site) -> None:
    services.publish(site)
    do(site, "set-value", key="type.base", value=20)
    plan = planned(site, {"value.type.base"})
    editions.cancel(site)
    with pytest.raises(Fault, match="called off"):
        services.publish(fresh(site), plan=plan)
    assert Edition.objects.filter(site=site).count() == 1


def test_a_plan_that_took_the_place_of_one_being_made_stands_as_it_is(
    site: Site, monkeypatch: pytest.MonkeyPatch
) -> None:
    services.publish(site)
    do(site, "set-value", key="type.base", value=20)
    planned(site, {"value.type.base"})
    make = services.publish

    def replaced(*rest: Any, **more: Any) -> Edition:
        planned(fresh(site), {"value.type.base"}, 7200)
        return make(*rest, **more)

    monkeypatch.setattr(services, "publish", replaced)
    assert editions.publish_due(timezone.now() + timedelta(minutes=2)) == []
    plan = Planned.objects.get()
    assert (plan.failed, plan.at > timezone.now() + timedelta(hours=1)) == ("", True)


def test_the_timers_command_publishes(site: Site, capsys: pytest.CaptureFixture[str]) -> None:
    services.publish(site)
    do(site, "set-value", key="type.base", value=20)
    plan = planned(site, {"value.type.base"})
    Planned.objects.filter(pk=plan.pk).update(at=timezone.now() - timedelta(seconds=1))
    call_command("publish_planned")
    assert "saltmarsh: edition 2 is live" in capsys.readouterr().out


def test_the_sweep_takes_what_nothing_points_to_and_no_more(twice: Site, settings) -> None:
    everything = lambda: {f.name for f in Path(settings.MEDIA_ROOT).rglob("*") if f.is_file()}  # noqa: E731
    sweep(at_start=True)  # what other tests left
    kept = everything()
    lost = store.keep(b"an upload whose edit never came")
    assert sweep() == 0, "it is fresh, its edit may come yet"
    assert sweep(at_start=True) == 1
    assert lost not in everything()
    assert everything() == kept
    for edition in Edition.objects.filter(site=twice):
        for digest in edition.manifest.values():
            store.load(digest)


def test_old_addresses_lead_on_and_the_rest_is_found_nowhere(site: Site, client: Client) -> None:
    prices = sites.document(site).order[1]
    services.publish(site)
    do(site, "rename-page", page=prices, page_name="Prices", slug="what-it-costs")
    services.publish(fresh(site))
    host = {"SERVER_NAME": "saltmarsh.localhost"}
    moved = client.get("/prices/", **host)
    assert (moved.status_code, moved["Location"]) == (301, "/what-it-costs/")
    missing = client.get("/nowhere/at/all/", **host)
    assert missing.status_code == 404
    assert "Not found" in missing.content.decode()
    sitemap = client.get("/sitemap.xml", **host).content.decode()
    assert "http://saltmarsh.localhost/what-it-costs/" in sitemap
    assert "/prices/" not in sitemap
    assert "Sitemap: http://saltmarsh.localhost/sitemap.xml" in client.get("/robots.txt", **host).content.decode()
    assert client.get("/sharing.png", **host)["Content-Type"] == "image/png"


def test_a_post_with_a_set_time_appears_then_in_an_edition_of_its_own_and_nothing_else_does(site: Site) -> None:
    soon = timezone.now().astimezone(sites.zone(site)) + timedelta(hours=2)
    do(site, "add-post", page_name="Low water", day=soon.date().isoformat())
    page = sites.document(fresh(site)).order[-1]
    do(site, "set-post", page=page, day=soon.date().isoformat(), time=f"{soon:%H:%M}")
    services.publish(fresh(site))
    do(site, "name-site", title="Not yet to be seen")
    visitor = Client(SERVER_NAME=f"{site.slug}.localhost")
    assert visitor.get("/low-water/").status_code == 404
    assert editions.publish_due() == []
    (made,) = editions.publish_due(timezone.now() + timedelta(hours=3))
    assert made.changes == ["Post appeared: Low water"]
    pages, _ = editions.compared(site, 1, 2)
    assert {page.name: page.state for page in pages}["Low water"] == "new"
    assert visitor.get("/low-water/").status_code == 200
    assert b"Low water" in visitor.get("/feed.atom").content
    assert b"Not yet" not in visitor.get("/").content
    assert editions.publish_due(timezone.now() + timedelta(days=3)) == []


def test_an_edition_brought_back_shows_the_posts_whose_time_has_come(site: Site) -> None:
    soon = timezone.now().astimezone(sites.zone(site)) + timedelta(days=2)
    do(site, "add-post", page_name="Low water", day=soon.date().isoformat())
    services.publish(fresh(site))
    do(site, "bin-page", page=sites.document(fresh(site)).order[-1])
    services.publish(fresh(site))
    assert editions.publish_due(soon + timedelta(days=1)) == []
    services.bring_back(fresh(site), 1)
    (made,) = editions.publish_due(soon + timedelta(days=1))
    assert "low-water/index.html" in made.manifest
