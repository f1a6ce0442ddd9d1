// One page in view: windows, desk and address always speak of the same page and section.
import { ask } from "./ask.js";
import { land } from "./focus.js";
import { handRests, handsFree } from "./held.js";
import * as panels from "./panels.js";
import { liveBeside, state } from "./state.js";
import { windows } from "./windows.js";

let opened = 0; // counts the desks opened, so that a late answer knows it is late
let chosen = null;
let clicked = Number.NEGATIVE_INFINITY; // when a window was clicked
const TWICE = 500; // ms within which a second click makes a double one

// Opens a desk, in place of the one that stands only once it is there. `control` is the id of what is wanted on it, where
// the address does not name it.
export async function open(address, { control, back = false } = {}) {
  opened += 1;
  const asked = opened;
  const when = performance.now();
  const to = new URL(address, location.href);
  if (!to.searchParams.has("page") && !to.searchParams.has("section")) to.searchParams.set("page", state.page);
  dispatchEvent(new Event("desk-opens"));
  let answer;
  do {
    panels.drawing(true);
    await handRests();
    answer = await ask(to.href);
    if (asked === opened) panels.drawing(false);
    await handsFree(when);
    if (asked !== opened) return;
  } while (state.moving || answer.revision < state.revision); // what was read before that is no longer so
  if (!answer.panels) return panels.notRead(answer, () => open(address, { control, back }));
  if (!back && to.href !== location.href) history.pushState({}, "", to.href);
  panels.show(answer);
  const page = answer.page || to.searchParams.get("page");
  if (page !== state.page) showPage(page, { desk: false });
  const section = to.searchParams.get("section");
  if (!section && !back) seeFoot();
  if (section) choose({ place: section }, !back);
  if (control || to.hash) reachFor(control || to.hash.slice(1));
}

// After a click in a window, the focus stays there until no second click can follow, by which words are written there.
function reachFor(control) {
  const target = document.getElementById(control);
  const { activeElement } = document;
  const reach = () => {
    if (!target || state.writing || document.activeElement !== activeElement) return;
    land(target);
    target.scrollIntoView({ block: target.offsetHeight > innerHeight / 2 ? "start" : "center" });
  };
  const wait = clicked + TWICE - performance.now();
  if (wait > 0) setTimeout(reach, wait);
  else reach();
}

// A desk about what stands at the foot of pages shows that in the windows.
export function seeFoot() {
  const { foot } = document.getElementById("desk").dataset;
  if (foot) windows.say({ type: "scroll", page: state.page, place: foot, share: 0 });
}

// The page shown in both windows, in the chooser above them, in the address, and on a desk that is about a page.
export function showPage(page, { desk = true, anew = false, path } = {}) {
  const known = state.pages.find(({ id }) => id === page);
  if (!known) return;
  if (path !== undefined) known.path = path;
  const moved = page !== state.page;
  state.page = page;
  document.getElementById("page-shown").value = page;
  windows.show(known.path, liveBeside());
  if (anew || !moved) return;
  const about = document.getElementById("desk").dataset.page;
  if (desk && about && about !== page) return open(`?page=${page}`);
  const here = new URL(location.href);
  here.searchParams.set("page", page);
  if (!about) here.searchParams.delete("section");
  history.replaceState({}, "", here.href);
}

export function clickedInWindow() {
  clicked = performance.now();
}

// What is chosen is outlined in both windows.
export function choose(what, scroll = true) {
  chosen = what;
  windows.say({ type: "mark", ...what, chosen: true, scroll });
}

// The windows come to the section whose words the desk comes to.
export const seeSection = (place) => place === chosen?.place || choose({ place });

// A page that is loaded about a section begins there, on the desk and in the windows.
export function begin() {
  const section = new URLSearchParams(location.search).get("section");
  if (!section) return;
  choose({ place: section });
  document.getElementById(`section-${section}`)?.scrollIntoView();
}

export const chooseAgain = () => chosen && choose(chosen);

// What belongs to the page in view, above the windows.
export function listPages() {
  const select = document.getElementById("page-shown");
  select.replaceChildren(...state.pages.map(({ name, id }) => new Option(name, id, false, id === state.page)));
  if (!state.pages.some(({ id }) => id === state.page)) showPage(state.pages[0].id, { desk: false });
}

export function back() {
  open(location.href, { back: true });
}
