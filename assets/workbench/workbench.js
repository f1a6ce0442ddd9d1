// The workbench: what hands do goes to the module that knows of it. No rule of the job is here.
import Alpine from "@alpinejs/csp";
import morph from "@alpinejs/morph";
import { ask } from "./ask.js";
import { comeTo, stepBack } from "./escape.js";
import { find, findKey, openFind } from "./find.js";
import { land } from "./focus.js";
import { crop } from "./crop.js";
import { picked } from "./picked.js";
import { footerBox } from "./footer_box.js";
import { ruler } from "./ruler.js";
import { focal } from "./focal.js";
import { come, heldFields, heldForms, hold, stash } from "./held.js";
import { deskEdge, edge } from "./edges.js";
import { key, letters, step } from "./keys.js";
import * as panels from "./panels.js";
import { offset } from "./offset.js";
import { plane } from "./plane.js";
import { presence } from "./presence.js";
import { asVisitors, deskShown, pair, resize, showsOtherwise, ticked, visit, visitNext } from "./proof.js";
import { tell } from "./provenance.js";
import { searchResult } from "./result.js";
import { richWords } from "./rich.js";
import { beside, ownName, queue, send, sendWords, stands } from "./sending.js";
import { sentence } from "./sentence.js";
import { apply, lookAgain, patched, recall, stream } from "./showing.js";
import { at, bench, config, state, typing } from "./state.js";
import { say, silence } from "./status.js";
import { uploads } from "./uploads.js";
import { back, begin, choose, chooseAgain, clickedInWindow, open, seeFoot, seeSection, showPage } from "./view.js";
import { kinds } from "./kinds.js";
import { sort } from "./sort.js";
import { waterfall } from "./waterfall.js";
import { widthScale } from "./width_scale.js";
import { when } from "./when.js";
import { windows } from "./windows.js";

// The section, field and entry that a control on the desk is about; null where it is about none.
function fieldOf(target) {
  const form = target.closest?.("[data-edit]");
  const words = form && Object.fromEntries(new FormData(form));
  return words?.command === "set-words" ? { place: words.section, field: words.field, item: words.item } : null;
}

// --- how high the bar at the foot is, above which something stays in view
const rail = document.getElementById("rail");
const { style } = document.documentElement;
new ResizeObserver(() => style.setProperty("--rail-height", `${rail.offsetHeight}px`)).observe(rail);

// --- what the windows say
let cameFrom = null; // the field on the desk whose words are written in a window
const DWELL = 90; // ms a pointer rests before it is told of
let pointing = 0;
const heard = {
  ready(_message, from) {
    if (windows.ready(from)) showsOtherwise() || lookAgain();
    if (vision) windows.say({ type: "see", matrix: vision });
    asVisitors();
    chooseAgain();
    windows.say({ type: "where" }, from); // it goes where the other one is
    seeFoot();
  },
  point(message, from) {
    windows.say({ ...message, type: "mark" }, from);
    clearTimeout(pointing);
    if (message.place) pointing = setTimeout(() => tell(message, { follow: false }), DWELL);
  },
  choose(message) {
    clickedInWindow();
    choose(message, false);
    tell(message, { follow: true });
  },
  scroll: (message, from) => windows.say(message, from),
  follow(message) {
    const page = state.pages.find((known) => known.path === message.path);
    if (page) showPage(page.id);
    else say(sentence("makes_itself"));
  },
  add: ({ after }) => open(`${at("pages")}?page=${state.page}&add=${after || "first"}`, { control: "section-kind" }),
  words: sendWords,
  writing(message, from) {
    state.writing = message.on;
    if (message.on) windows.tools(from, document.getElementById("writing-tools").innerHTML);
    else if (message.done && cameFrom?.isConnected) land(cameFrom);
    if (!message.on) cameFrom = null;
  },
  key: (message) => key(message, before),
};
for (const frame of windows.frames) frame.addEventListener("load", seeFoot); // where fonts and pictures moved it
windows.listen((message, from) => heard[message.type]?.(message, from));

// --- forms
picked(bench);
bench.addEventListener("submit", (event) => {
  const form = event.target;
  if (form.dataset.walk) {
    event.preventDefault();
    step(form.dataset.walk);
  } else if (form.dataset.edit) {
    event.preventDefault();
    send(form);
  } else if (form.dataset.busy && queue.length) {
    event.preventDefault(); // nothing goes out before all that was typed is kept
    say(sentence("first_kept"));
  } else if (form.dataset.busy) say(form.dataset.busy);
});

const CHOICE = "select, [type=checkbox], [type=radio]"; // is kept as it is made

bench.addEventListener("input", ({ target }) => {
  if (target.closest("#desk")) hold(target);
  panels.handMoves();
  const { twin } = target.dataset;
  if (twin) {
    document.getElementById(twin).value = target.value;
    hold(document.getElementById(twin));
  }
  if (target.id === "find-words") find(target.value);
  else if (target.form?.dataset.stream !== undefined && !target.form.elements.text && !target.matches(CHOICE))
    stream(target.form);
});

bench.addEventListener("focusin", ({ target }) => {
  if (target.closest("#desk") && typing(target)) come();
  comeTo(target);
  const what = fieldOf(target); // of a field of a section, where its look comes from
  if (!what) return;
  seeSection(what.place);
  clearTimeout(pointing);
  pointing = setTimeout(() => tell(what, { follow: false }), DWELL);
});

bench.addEventListener("change", ({ target }) => {
  const { window, other, vision: seen } = target.dataset;
  if (window) target.value = windows.setWidth(window, Number(target.value));
  else if (target.name === "goes") ticked();
  else if (target.id === "page-shown") showPage(target.value);
  else if (target.id === "letter-keys") letters.on = target.checked;
  else if (other !== undefined && (target.value === "other" || target.value === "new"))
    target.parentElement.querySelector(target.value === "new" ? ".new-page" : ".other")?.focus();
  else if (seen !== undefined) seenAs(seen, target.closest("label").querySelector("strong")?.textContent);
  else if (target.form?.dataset.get !== undefined)
    open(`${location.pathname}?${new URLSearchParams(new FormData(target.form))}`);
  else if (target.form?.dataset.edit === "change") send(target.form);
});
searchResult(bench);
richWords(bench, { send, stream, recall });

// --- both windows as another colour vision sees them, on whatever chapter, until it is ended
let vision = "";
function seenAs(matrix, name) {
  vision = matrix;
  windows.say({ type: "see", matrix });
  const line = document.getElementById("seen-as");
  line.hidden = !matrix;
  const button = document.createElement("button");
  button.type = "button";
  button.className = "plain";
  button.dataset.fullColour = "";
  button.textContent = sentence("full_colour");
  line.replaceChildren(sentence("seen_with", { vision: (name || "").toLowerCase() }), " ", button);
}

function fullColour() {
  seenAs("");
  const full = document.querySelector('[data-vision=""]');
  if (full) full.checked = true;
}

document.getElementById("find").addEventListener("keydown", findKey);

// --- clicks
bench.addEventListener("click", (event) => {
  const { target } = event;
  const on = (selector) => target.closest(selector);
  const link = on("a[data-chapter], a[data-chapter-link]");
  if (on("[data-full-colour]")) fullColour();
  else if (on("[data-step]")) visitNext(Number(on("[data-step]").dataset.step));
  else if (on("[data-go][data-place]")) visit(on("[data-go]"));
  else if (on("[data-go]")) showPage(on("[data-go]").dataset.go);
  else if (on("#pair")) pair(!state.afterOnly);
  else if (on("[data-copy]")) copy(on("[data-copy]").dataset.copy);
  else if (on("[data-find]")) openFind();
  else if (on("[data-dialog]")) document.getElementById(on("[data-dialog]").dataset.dialog).showModal();
  else if (link && !(event.ctrlKey || event.metaKey || event.shiftKey)) {
    event.preventDefault();
    document.querySelector("dialog[open]")?.close();
    open(link.href, { control: link.dataset.control });
  }
});

function copy(words) {
  navigator.clipboard.writeText(words).then(() => say(sentence("copied", { what: words })));
}

// --- what is pointed at or focused on the desk is shown in the windows, and taken back when that ends
function reach(event, on) {
  const entry = event.target.closest("[data-places]");
  if (!entry || entry.contains(event.relatedTarget)) return;
  windows.say({ type: "touch", places: on ? entry.dataset.places.split(" ") : [] });
  const pages = (entry.dataset.pages || "").split(" ");
  for (const page of document.querySelectorAll("[data-map]"))
    page.toggleAttribute("data-lit", on && pages.includes(page.dataset.map));
  if (entry.dataset.change) recall(on ? `without=${encodeURIComponent(entry.dataset.change)}` : "");
}

function lookedAt(event, on) {
  const button = event.target.closest("[data-point-stream], [data-at]");
  if (!button || button.contains(event.relatedTarget)) return;
  if (on && button.dataset.at) recall(`at=${button.dataset.at}`);
  else if (on && button.form) stream(button.form);
  else recall();
}
// A pointer that rests while the desk is put in anew points at nothing new: only one that moved is followed.
let rested = "";
bench.addEventListener("pointerdown", ({ clientX, clientY }) => {
  rested = `${clientX} ${clientY}`;
});
for (const [name, on] of [
  ["pointerover", true],
  ["focusin", true],
  ["pointerout", false],
  ["focusout", false],
])
  bench.addEventListener(name, (event) => {
    if (name === "pointerover" && rested === `${event.clientX} ${event.clientY}`) return;
    lookedAt(event, on);
    reach(event, on);
  });

// --- before and after
let isBefore = false;
async function before(on) {
  if (on === isBefore) return;
  isBefore = on;
  for (const pane of document.querySelectorAll(".pane")) pane.classList.toggle("is-before", on);
  const answer = await ask(`${at("state")}?which=${on ? "live" : "draft"}&page=${state.page}`);
  if (answer.patch && isBefore === on) apply(answer.patch);
}
const seeBefore = document.getElementById("see-before");
seeBefore.addEventListener("pointerdown", () => before(true));
for (const end of ["pointerup", "pointerleave", "blur"]) seeBefore.addEventListener(end, () => before(false));
for (const [name, on] of [
  ["keydown", true],
  ["keyup", false],
])
  seeBefore.addEventListener(name, (event) => {
    if (event.key !== "Enter" && event.key !== " ") return;
    event.preventDefault();
    before(on);
  });

document.getElementById("wide-scale").addEventListener("click", () => windows.setTrueSize(!windows.trueSize));
document.getElementById("proof-width").addEventListener("click", ({ target }) => {
  const phone = target.getAttribute("aria-pressed") !== "true";
  target.setAttribute("aria-pressed", phone);
  target.textContent = sentence(phone ? "both_wide" : "both_phone");
  const width = phone ? config.limits.phone : config.limits.wide;
  resize({ wide: width, phone: width });
});

for (const name of ["wide", "phone"])
  edge(document.querySelector(`[data-edge=${name}]`), {
    value: () => windows.widths[name],
    set(width) {
      resize({ [name]: width });
      return windows.widths[name];
    },
    pace: () => windows.pace(name),
  });
deskEdge(document.querySelector("[data-edge=desk]"), bench);

function bothTake(width) {
  resize({ wide: width, phone: width });
  return windows.widths.wide;
}
bench.addEventListener("click", ({ target }) => {
  const width = target.closest("[data-take-width]")?.dataset.takeWidth;
  if (width) bothTake(Number(width));
});

// --- keys, leaving, coming back
addEventListener("keydown", (event) => {
  panels.handMoves();
  const { key: name, target, isComposing } = event;
  if (name === "F2" && fieldOf(target)) {
    event.preventDefault();
    cameFrom = target;
    windows.write(fieldOf(target));
  }
  if (name === "Escape" && !isComposing && !document.querySelector("dialog[open]")) stepBack(target);
  if (!typing(event.target) && !event.repeat && !document.querySelector("dialog[open]")) key(event, before);
});
addEventListener("keyup", (event) => {
  if (event.key.toLowerCase() === "b") before(false);
});
addEventListener("popstate", back);
addEventListener("beforeunload", (event) => {
  const alone = [...heldForms()].some((form) => form?.dataset.edit === "submit");
  const unsent = queue.length && queue.state !== "sending";
  if (state.writing || alone || unsent || files.length) event.preventDefault();
});
addEventListener("pagehide", () => {
  gestures.going?.();
  for (const form of heldForms()) {
    const refused = form?.querySelector("[aria-invalid=true]");
    if (form?.dataset.edit === "change" && !refused) send(form);
  }
  if (heldFields().length) stash();
});

// --- for the instruments: a form sent as one gesture while it streams
export const gestures = {
  limits: config.limits,
  going: null, // what keeps the row of keys, or the drag, that has not ended
  begin(keep) {
    state.moving = true;
    this.going = keep;
    state.gesture = `g${Date.now().toString(36)}${Math.random().toString(36).slice(2, 6)}`;
    return state.gesture;
  },
  rest() {
    state.moving = false;
    this.going = null;
    dispatchEvent(new Event("hand-rests"));
  },
  end(which) {
    if (state.gesture === which) state.gesture = ""; // unless the next has begun
  },
  stream,
  send,
  at,
};

Alpine.plugin(morph);
Alpine.data("plane", () => plane(gestures));
Alpine.data("crop", () => crop(gestures));
Alpine.data("ruler", () => ruler(gestures));
Alpine.data("when", () => when());
Alpine.data("footerBox", () => footerBox(gestures));
Alpine.data("focal", () => focal(gestures));
Alpine.data("waterfall", () => waterfall(gestures));
Alpine.data("offset", () => offset(gestures));
Alpine.data("sort", () => sort(gestures));
Alpine.data("kinds", kinds);
Alpine.data("widthScale", () => widthScale(bothTake));
Alpine.start();
document.getElementById("letter-keys").checked = letters.on;
silence();
deskShown();
begin();
document.documentElement.dataset.ready = ""; // from here on hands and keys are heard

const files = uploads(document.querySelector(".desk-frame"), {
  fields: () => ({ revision: state.revision, window: ownName, window_page: state.page }),
  arrived(answer) {
    state.revision = Math.max(state.revision, answer.revision);
    patched(answer.patch);
    say(sentence("kept_as", { what: answer.said }));
    panels.later();
  },
  say,
  changed: () => stands(),
});
beside(files);
presence({
  every: config.every,
  at,
  name: ownName,
  chapter: () => state.chapter,
  revision: () => state.revision,
  behind() {
    if (queue.length || state.writing) return;
    say(sentence("elsewhere"));
    panels.now().then(() => showsOtherwise() || recall());
  },
});
