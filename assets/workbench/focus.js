// Focus has one rule: after an act it is on the thing acted upon, or on what took its place. Never on the page.
const FOCUSABLE = "a[href], button:not([disabled]), input:not([type=hidden]), select, textarea, summary, [tabindex]";

const seen = (element) => element?.isConnected && element.checkVisibility() && !element.matches(":disabled");
const byId = (id) => (id ? document.getElementById(id) : null);
const nameOf = (element) => element.id || element.closest("form")?.id;
const chapterNow = () => byId("desk")?.dataset.chapter;
const entries = (item) => [...(item?.parentElement?.children ?? [])].map((other) => other.id).filter(Boolean);

// Where focus is now, in names that hold when the panels are put in anew.
export function whereFocusIs() {
  const active = document.activeElement;
  if (!active || active === document.body) return { chapter: chapterNow() };
  const form = active.closest("form");
  const item = active.closest("li[id]");
  const panel = active.closest("#desk, #rail, #chapters");
  return {
    active,
    id: active.id,
    form: form?.id,
    index: form ? [...form.elements].indexOf(active) : -1,
    item: item?.id,
    siblings: entries(item),
    neighbours: neighbours(active, item ?? panel),
    panel: panel?.id,
    chapter: chapterNow(),
  };
}

// The names of what stands after it among the same things, then of what stands before it, the nearest first.
function neighbours(active, among) {
  const names = [...(among?.querySelectorAll(FOCUSABLE) ?? [])].map(nameOf);
  const here = names.indexOf(nameOf(active));
  return [...names.slice(here + 1), ...names.slice(0, Math.max(0, here)).reverse()].filter(Boolean);
}

// What stands there now: the same thing; else another button beside it; else its neighbour in the same entry; else the
// entry that took its place.
export function* places(was) {
  if (was.active) yield* near(was);
  else if (was.chapter !== chapterNow()) yield document.querySelector("#desk h1");
}

function* near(was) {
  if (was.active.isConnected) yield was.active; // a heading that took the focus for once takes it again
  yield byId(was.id);
  const form = byId(was.form);
  if (form) yield* [form.elements[was.index], ...form.querySelectorAll(FOCUSABLE)];
  if (was.active.isConnected) yield* beside(was.active);
  if (was.chapter !== chapterNow()) yield document.querySelector("#desk h1");
  const item = byId(was.item);
  if (item) yield form?.closest(".row, .section-head")?.querySelector(FOCUSABLE);
  if (item || !was.item) for (const name of was.neighbours) yield inside(byId(name), was.index);
  if (item) yield* within(item);
  const place = was.siblings.indexOf(was.item);
  const next = [...was.siblings.slice(place + 1), ...was.siblings.slice(0, Math.max(0, place)).reverse()];
  for (const other of next) if (byId(other)) yield* within(byId(other));
  yield* was.panel === "rail" ? within(byId("rail")) : [document.querySelector("#desk h1")];
}

// Of a form the control that stands where the other stood in its own.
function inside(near, index) {
  return near?.matches("form") ? (near.elements[index] ?? near.querySelector(FOCUSABLE)) : near;
}

function* beside(active) {
  const group = active.closest(".row, .section-head, #rail");
  if (group) yield* within(group);
}

function* within(element) {
  yield* element.querySelectorAll(FOCUSABLE);
  yield element;
}

export function focusAgain(was) {
  const now = document.activeElement;
  if (now !== document.body && seen(now)) return;
  for (const place of places(was)) if (seen(place)) return land(place);
}

// A thing that takes no focus by itself takes it here.
export function land(element) {
  if (!element.matches(FOCUSABLE)) element.tabIndex = -1;
  uncover(element);
  element.focus({ preventScroll: true });
}

// Opens the folds around it and brings it into view, above whatever sticks to an edge.
export function uncover(element) {
  for (let fold = element.closest("details"); fold; fold = fold.parentElement.closest("details")) fold.open = true;
  element.scrollIntoView({ block: "nearest" });
}
