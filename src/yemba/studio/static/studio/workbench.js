// The workbench: forms become edits, answers become panels and patches. No rule of the job is here.
import Alpine from "../vendored/alpine.js";
import morph from "../vendored/morph.js";
import { ask } from "./ask.js";
import { focal } from "./focal.js";
import { measure } from "./measure.js";
import { oneInFlight } from "./one_in_flight.js";
import { plane } from "./plane.js";
import { presence } from "./presence.js";
import { sentence } from "./sentence.js";
import { uploads } from "./uploads.js";
import { waterfall } from "./waterfall.js";
import { Windows } from "./windows.js";

const told = JSON.parse(document.getElementById("windows").textContent);
const bench = document.getElementById("workbench");
const at = (path) => `${told.address}${path}/`;
const state = { revision: told.revision, chapter: told.chapter, page: told.page, pages: told.pages, before: false };
let chosen = null;
let opened = 0; // counts the desks opened, so that a late answer knows it is late
let gesture = "";
let moving = false;
let writing = false; // words are being written in a window, which keeps the focus

const windows = new Windows(told, heard);

function token() {
  return bench.querySelector("[name=csrfmiddlewaretoken]").value;
}

function body(form) {
  const data = new FormData(form);
  data.set("revision", state.revision);
  data.set("here", location.search);
  data.set("chapter", state.chapter);
  data.set("window_page", state.page);
  if (gesture) data.set("gesture", gesture);
  return data;
}

function kept(words) {
  document.getElementById("kept").textContent = words;
}

function fault(form, error) {
  const slot = form.querySelector(".fault") || document.getElementById("kept");
  slot.textContent = error ? error.sentence : "";
  if (error?.standing !== undefined) offer(form, slot, error);
  const field =
    form.querySelector(`[name="${error?.field}"]`) || form.querySelector("input:not([type=hidden]), select, textarea");
  if (!field) return;
  if (error) field.setAttribute("aria-invalid", "true");
  else field.removeAttribute("aria-invalid");
  if (error && slot.id !== "kept") {
    slot.id = slot.id || `fault-${form.id}`;
    field.setAttribute("aria-describedby", slot.id);
  }
}

// Two hands on one place: what stands there, what was wanted, and a button for each.
function offer(form, slot, { standing, wanted }) {
  const both = [
    [sentence("keep_theirs", { value: standing }), () => open(location.href, "", false)],
    [sentence("put_mine", { value: wanted }), () => send(form)],
  ];
  slot.append(
    ...both.map(([words, choose]) => {
      const button = document.createElement("button");
      button.type = "button";
      button.className = "small";
      button.textContent = words.length > 60 ? `${words.slice(0, 58)}…”` : words;
      button.addEventListener("click", () => {
        slot.textContent = "";
        choose();
      });
      return button;
    }),
  );
}

// A field that was typed in no longer follows its attribute; after an answer it shows what is kept,
// unless more was typed since the question was sent.
function refresh(sent) {
  for (const field of document.querySelectorAll("#desk :is(input, select, textarea)")) {
    if (field === document.activeElement && sent !== undefined && field.value !== sent) continue;
    if (field.name === "goes") continue; // what was held back stays held back
    if (field.type === "checkbox" || field.type === "radio") field.checked = field.defaultChecked;
    else if (field.tagName === "SELECT")
      field.value = [...field.options].find((option) => option.defaultSelected)?.value ?? field.options[0]?.value;
    else if (field.type !== "file" && field.type !== "hidden") field.value = field.defaultValue;
  }
}

// A fold that was opened stays open: the server does not know of it. Numbers in its words may have changed.
function keepOpen(from, to) {
  const words = (fold) => fold.querySelector("summary")?.textContent.replace(/\d+/g, "").trim();
  if (from.tagName === "DETAILS" && to.tagName === "DETAILS" && from.open && words(from) === words(to)) to.open = true;
}

function show(answer, sent) {
  const focused = document.activeElement?.id;
  for (const [id, html] of Object.entries(answer.panels)) {
    const panel = document.getElementById(id);
    // another chapter's desk is put in whole, so that its instrument starts anew
    if (id === "desk" && panel.dataset.chapter !== answer.chapter) panel.outerHTML = html.trim();
    else Alpine.morph(panel, html.trim(), { updating: keepOpen });
  }
  refresh(sent);
  if (focused && !writing && document.activeElement?.id !== focused) document.getElementById(focused)?.focus();
  told.base = answer.base;
  Object.assign(state, { revision: answer.revision, chapter: answer.chapter, pages: answer.pages });
  document.title = answer.title;
  const select = document.getElementById("page-shown");
  select.replaceChildren(...state.pages.map((page) => new Option(page.name, page.id, false, page.id === state.page)));
  mode();
  if (answer.patch) apply(answer.patch);
  if (document.querySelector("[name=goes]:not(:checked)")) choosing();
  begun();
}

// What a desk wants as soon as it stands: a plan shows its template, the proof has every page measured.
let measuring = null;
let planned = false;
function begun() {
  const plan = document.querySelector("#desk [data-stream-now]");
  if (plan) stream(plan);
  else if (planned) recall(`${at("state")}?page=${state.page}`);
  planned = Boolean(plan);
  measuring?.();
  measuring =
    state.chapter !== "proof"
      ? null
      : measure(told, touchedPages(), at, token, (html) => {
          Alpine.morph(document.getElementById("checks"), html.trim(), { updating: keepOpen });
        });
  steps();
}

// Where nothing waits, or nothing was ever live, all pages are.
function touchedPages() {
  const marked = state.pages.filter(({ id }) => document.querySelector(`[data-map="${id}"].is-touched`));
  return marked.length ? marked : state.pages;
}

// The places touched, one after the other; without a choice those of all changes.
let step = -1;
const stops = () => [...document.querySelectorAll("#desk [data-place][data-go]")];
function steps() {
  step = -1;
  const said = document.getElementById("place-said");
  if (said) said.textContent = stops().length ? sentence("places", { count: stops().length }) : "";
}
function visit(stop) {
  if (!stop) return;
  step = stops().indexOf(stop);
  document.getElementById("place-said").textContent = sentence("place", {
    number: step + 1,
    count: stops().length,
    name: stop.textContent,
  });
  if (stop.dataset.go !== state.page) go(stop.dataset.go);
  choose({ place: stop.dataset.place });
}

function apply(patch) {
  if (patch.rules) restyle(patch.rules);
  if (patch.follow !== undefined) {
    go(patch.follow);
    return;
  }
  if (windows.old) go(state.page);
  else windows.say({ type: "patch", patch }, proofing() ? "wide" : ""); // there the wide window is the live site
}

// The desk shows the owner's own fonts too, which may have come or gone.
let rules = "";
function restyle(now) {
  if (now === rules) return;
  rules = now;
  const link = document.getElementById("own-fonts");
  link.href = `${link.href.split("?")[0]}?${state.revision}`;
}

function go(page) {
  const found = state.pages.find((known) => known.id === page);
  if (!found) return;
  state.page = page;
  document.getElementById("page-shown").value = page;
  windows.show(found.path, proofing());
}

// The proof shows live beside draft; before the first publishing there is nothing to set beside it.
function proofing() {
  return state.chapter === "proof" && told.live;
}

function mode() {
  const proof = proofing();
  const was = bench.classList.contains("is-proof");
  bench.classList.toggle("is-proof", proof);
  if (proof === was) return;
  document.querySelector("#wide-label b").textContent = sentence(proof ? "live_now" : "wide");
  document.querySelector(".ruler-phone b").textContent = sentence(proof ? "after_publishing" : "phone");
  const { wide, phone } = told.limits;
  resize({ wide, phone: proof ? wide : phone });
  go(state.page);
}

function resize(widths) {
  for (const [name, width] of Object.entries(widths)) {
    document.getElementById(`${name}-width`).value = windows.setWidth(name, width);
  }
}

// An edit's answer is for the windows, which show it at once; then the desk is asked for as it stands now.
// Where another was opened meanwhile, that one is.
const PAUSE = 120; // ms
async function settle(answer, asked, sent) {
  state.revision = answer.revision;
  streamed.clear();
  if (answer.patch) apply(answer.patch);
  if (asked !== opened) return open(location.href, "", false);
  if (gesture) await new Promise((done) => setTimeout(done, PAUSE));
  if (moving) return; // a hand that went on is not made to wait for the desk: it comes when the hand rests
  const desk = await ask(location.href);
  if (desk.error) return kept(desk.error.sentence);
  if (asked === opened && !moving) show(desk, sent); // what is being moved right now is not taken from the hand
}

// One question a form at a time; Enter raises both change and submit, and only what differs goes again. What goes
// later goes as it was when it was asked for: an answer before it may have put the form in another state.
const asking = new Map();
let working = 0; // edits on their way, so that their own revision is not taken for another hand's
const words = (data) =>
  new URLSearchParams([...data].filter(([name, value]) => name !== "revision" && typeof value === "string")).toString();
async function send(form) {
  let next = body(form);
  const known = asking.get(form);
  if (known) {
    known.next = words(next) === known.sent ? null : next;
    return;
  }
  while (next) {
    const now = { sent: words(next), next: null };
    asking.set(form, now);
    await put(form, next);
    next = now.next;
  }
  asking.delete(form);
}

async function put(form, data) {
  const asked = opened;
  const sent = document.activeElement?.value;
  data.set("revision", state.revision);
  working += 1;
  const answer = await ask(form.getAttribute("action"), data).finally(() => (working -= 1));
  if (answer.error) {
    if (answer.revision) state.revision = answer.revision;
    fault(form, answer.error);
    return;
  }
  fault(form, null);
  await settle(answer, asked, sent);
  kept(answer.said ? sentence("kept_as", { what: answer.said }) : sentence("kept"));
}

const streamed = new Set(); // places that windows show otherwise than kept
// What is shown and not kept is asked for one after the other, so that no older answer covers a newer one.
const showing = oneInFlight((request) => request());
const stream = (form) => {
  const data = body(form);
  return showing(() => streaming(data));
};
const streaming = async (data) => {
  data.set("streamed", [...streamed].join(" "));
  const answer = await ask(at("stream"), data);
  for (const place of Object.keys(answer.patch?.fragments || {})) streamed.add(place);
  if (answer.patch) apply(answer.patch);
};

async function open(address, control, isNew = true) {
  opened += 1;
  const asked = opened;
  const from = new URL(address, location.href);
  state.chapter = from.pathname.split("/").at(-2); // what is sent from now on belongs to the new desk
  if (isNew) history.pushState({}, "", from.pathname + from.search);
  const answer = await ask(address);
  if (asked !== opened) return;
  if (answer.error) return kept(answer.error.sentence);
  show(answer);
  if (!isNew) return;
  const page = from.searchParams.get("page");
  if (page && page !== state.page) go(page);
  const section = from.searchParams.get("section");
  if (section) choose({ place: section }, false);
  const target = control ? document.getElementById(control) : document.querySelector("#desk h1");
  if (!target) return;
  for (let fold = target.closest("details"); fold; fold = fold.parentElement.closest("details")) fold.open = true;
  target.scrollIntoView({ block: "center" });
  if (control && !writing) target.focus({ preventScroll: true });
}

function choose(what, scroll = true) {
  chosen = what;
  windows.say({ type: "mark", ...what, chosen: true, scroll });
}

const cache = new Map();
async function tell(what, follow) {
  const query = new URLSearchParams({ place: what.place, field: what.field || "", item: what.item || "" });
  const key = `${state.revision}:${query}`;
  if (!cache.has(key)) cache.set(key, ask(`${at("where")}?${query}`));
  const answer = await cache.get(key);
  if (!answer.html) return;
  document.getElementById("told").innerHTML = answer.html;
  if (follow) open(answer.address, answer.control);
}

async function before(on) {
  if (on === state.before) return;
  state.before = on;
  for (const pane of document.querySelectorAll(".pane")) pane.classList.toggle("is-before", on);
  const answer = await ask(`${at("state")}?which=${on ? "live" : "draft"}&page=${state.page}`);
  if (answer.patch && state.before === on) apply(answer.patch);
}

let pointing = 0;
function heard(message, from) {
  if (message.type === "ready") {
    if (windows.ready(from)) anew();
    if (vision) windows.say({ type: "see", matrix: vision });
    if (message.page && message.page !== state.page) go(message.page);
    if (chosen) windows.say({ type: "mark", ...chosen, chosen: true });
  } else if (message.type === "point") {
    windows.say({ ...message, type: "mark" }, from);
    clearTimeout(pointing);
    if (message.place) pointing = setTimeout(() => tell(message, false), 90);
  } else if (message.type === "choose") {
    choose(message, false);
    tell(message, true);
  } else if (message.type === "scroll") {
    windows.say(message, from);
  } else if (message.type === "follow") {
    const page = state.pages.find((known) => known.path === message.path);
    if (page) go(page.id);
  } else if (message.type === "words") {
    const form = new FormData();
    const given = {
      csrfmiddlewaretoken: token(),
      command: "set-words",
      section: message.place,
      field: message.field,
      item: message.item || "",
      words: message.words,
    };
    for (const [name, value] of Object.entries({
      ...given,
      revision: state.revision,
      chapter: state.chapter,
      here: location.search,
      window_page: state.page,
    }))
      form.set(name, value);
    const asked = opened;
    working += 1;
    ask(at("edit"), form)
      .finally(() => (working -= 1))
      .then(async (answer) => {
        if (answer.error) {
          kept(answer.error.sentence);
          windows.say({ ...message, type: "fault", sentence: answer.error.sentence });
        } else {
          await settle(answer, asked);
          kept(sentence("kept_as", { what: answer.said }));
        }
      });
  } else if (message.type === "writing") {
    writing = message.on;
  } else if (message.type === "key") {
    key(message);
  }
}

function key(event) {
  const name = event.key;
  if ((event.ctrlKey || event.metaKey) && name.toLowerCase() === "z") {
    event.preventDefault?.();
    walk(event.shiftKey ? "redo" : "undo");
  } else if (event.ctrlKey || event.metaKey || event.altKey) {
    return;
  } else if (/^[1-9]$/.test(name)) {
    document.querySelectorAll("#chapters a")[Number(name) - 1]?.click();
  } else if (name === "b" || name === "B") {
    before(event.kind !== "keyup");
  } else if (name === "?") {
    document.getElementById("keys").showModal();
  } else if (name === "/") {
    event.preventDefault?.();
    document.getElementById("find").showModal();
  }
}

function walk(which) {
  const form = document.querySelector(`[data-walk="${which}"]`);
  if (!form.querySelector("button").disabled)
    send(form).then(() => kept(sentence(which === "undo" ? "undone" : "redone")));
}

function typing(target) {
  return target.closest(
    "input:not([type=range]):not([type=radio]):not([type=checkbox]), textarea, select, [contenteditable]",
  );
}

bench.addEventListener("submit", (event) => {
  const form = event.target;
  if (form.dataset.walk) {
    event.preventDefault();
    walk(form.dataset.walk);
  } else if (form.dataset.edit) {
    event.preventDefault();
    send(form);
  } else if (form.dataset.busy) {
    kept(form.dataset.busy);
  }
});

bench.addEventListener("input", (event) => {
  const { target } = event;
  const twin = target.dataset.twin;
  if (twin) document.getElementById(twin).value = target.value;
  const form = target.form;
  if (target.id === "find-words") {
    for (const item of document.querySelectorAll("#found li"))
      item.hidden = !item.dataset.words.includes(target.value.toLowerCase());
  } else if (form?.dataset.stream !== undefined) {
    stream(form);
  }
});

bench.addEventListener("change", (event) => {
  const { target } = event;
  if (target.dataset.window) {
    target.value = windows.setWidth(target.dataset.window, Number(target.value));
  } else if (target.name === "goes") {
    choosing();
  } else if (target.id === "page-shown") {
    go(target.value);
  } else if (target.dataset.other !== undefined && target.value === "other") {
    const other = target.nextElementSibling;
    other.hidden = other.disabled = false;
    target.disabled = true;
    other.focus();
  } else if (target.dataset.vision !== undefined) {
    seenAs(target.dataset.vision, target.closest("label").querySelector("strong")?.textContent);
  } else if (target.form?.dataset.get !== undefined) {
    open(`${location.pathname}?${new URLSearchParams(new FormData(target.form))}`);
  } else if (target.form?.dataset.edit === "change") {
    send(target.form);
  }
});

// Both windows as another colour vision sees them, on whatever chapter, until it is ended.
let vision = "";
function seenAs(matrix, name) {
  vision = matrix;
  windows.say({ type: "see", matrix });
  const said = document.getElementById("seen-as");
  said.hidden = !matrix;
  const button = document.createElement("button");
  button.type = "button";
  button.className = "plain";
  button.dataset.fullColour = "";
  button.textContent = sentence("full_colour");
  said.replaceChildren(sentence("seen_with", { vision: (name || "").toLowerCase() }), " ", button);
}
bench.addEventListener("click", ({ target }) => {
  if (!target.closest("[data-full-colour]")) return;
  seenAs("");
  const full = document.querySelector('[data-vision=""]');
  if (full) full.checked = true;
});

// Words with bold, italic and lists: what stands there goes into the form when it is left.
bench.addEventListener("focusin", ({ target }) => {
  if (target.dataset.rich !== undefined) target.dataset.before ??= target.innerHTML;
});
bench.addEventListener("focusout", ({ target, relatedTarget }) => {
  if (target.dataset.rich === undefined || relatedTarget?.dataset.format) return;
  keepRich(target);
});
function keepRich(target) {
  if (target.innerHTML === target.dataset.before) return;
  delete target.dataset.before;
  const form = target.closest("form");
  form.elements.words.value = target.innerHTML;
  send(form);
}
bench.addEventListener("click", ({ target }) => {
  const button = target.closest("[data-format]");
  if (!button) return;
  const rich = button.closest("form").querySelector("[data-rich]");
  rich.focus();
  const quoted = button.dataset.value && getSelection().anchorNode?.parentElement?.closest("blockquote");
  document.execCommand(quoted ? "outdent" : button.dataset.format, false, button.dataset.value);
});

bench.addEventListener("click", ({ target }) => {
  const stop = target.closest("[data-go]");
  const move = target.closest("[data-step]");
  if (move) {
    const every = stops();
    visit(every[(step + Number(move.dataset.step) + every.length) % every.length]);
  } else if (stop?.dataset.place) visit(stop);
  else if (stop) go(stop.dataset.go);
});

bench.addEventListener("click", (event) => {
  const link = event.target.closest("a[data-chapter], a[data-chapter-link]");
  if (!link || event.ctrlKey || event.metaKey || event.shiftKey) return;
  event.preventDefault();
  document.querySelector("dialog[open]")?.close();
  open(link.href, link.dataset.control);
});

// A waiting change that is pointed at or focused: the windows show the site before it, and which places it touches.
function reach(event, on) {
  const entry = event.target.closest("[data-places]");
  if (!entry || entry.contains(event.relatedTarget)) return;
  windows.say({ type: "touch", places: on ? entry.dataset.places.split(" ") : [] });
  const pages = (entry.dataset.pages || "").split(" ");
  for (const page of document.querySelectorAll("[data-map]"))
    page.toggleAttribute("data-lit", on && pages.includes(page.dataset.map));
  if (!entry.dataset.change) return;
  const which = on ? `without=${encodeURIComponent(entry.dataset.change)}&` : "";
  recall(`${at("state")}?${which}page=${state.page}`);
}
const recall = (address) =>
  showing(async () => {
    const answer = await ask(address);
    if (answer.patch) apply(answer.patch);
  });

// What the windows ought to show: the draft, the template a plan is read for, what is pointed at, or in the proof what
// is ticked.
function anew() {
  const plan = document.querySelector("#desk [data-stream-now]");
  const pointed = document.querySelector("#desk [data-point-stream]:is(:hover, :focus-visible)")?.form;
  if (plan || pointed) stream(plan || pointed);
  else if (document.querySelector("[name=goes]:not(:checked)")) choosing();
  else recall(`${at("state")}?page=${state.page}`);
}

// What is ticked in the proof is what the window "After publishing" shows.
const proofed = oneInFlight(async (address) => {
  const answer = await ask(address);
  if (answer.patch) windows.say({ type: "patch", patch: answer.patch }, "wide");
  const along = document.getElementById("along");
  if (along)
    along.textContent =
      answer.sentence || (answer.along?.length ? sentence("along", { names: answer.along.join(", ") }) : "");
});
function choosing() {
  const boxes = [...document.querySelectorAll("[name=goes]")];
  const ticked = boxes.filter((box) => box.checked);
  const button = document.getElementById("publish-button");
  const counts = { ticked: ticked.length, count: boxes.length };
  const every = boxes.length === 1 ? "publish_one" : "publish_all";
  button.textContent = sentence(ticked.length === boxes.length ? every : "publish_some", counts);
  button.disabled = ticked.length === 0;
  const query = new URLSearchParams([["page", state.page], ["goes", ""], ...ticked.map((box) => ["goes", box.value])]);
  proofed(`${at("state")}?${query}`);
}

// A pairing is shown while it is pointed at or focused, and taken back when that ends.
function shown(event, on) {
  const button = event.target.closest("[data-point-stream], [data-at]");
  if (!button || button.contains(event.relatedTarget)) return;
  if (on && button.dataset.at) recall(`${at("state")}?at=${button.dataset.at}&page=${state.page}`);
  else if (on && button.form) stream(button.form);
  else recall(`${at("state")}?page=${state.page}`);
}
for (const [name, on] of [
  ["pointerover", true],
  ["focusin", true],
  ["pointerout", false],
  ["focusout", false],
]) {
  bench.addEventListener(name, (event) => {
    shown(event, on);
    reach(event, on);
  });
}

document.getElementById("proof-width").addEventListener("click", ({ target }) => {
  const phone = target.getAttribute("aria-pressed") !== "true";
  target.setAttribute("aria-pressed", phone);
  target.textContent = sentence(phone ? "both_wide" : "both_phone");
  const width = phone ? told.limits.phone : told.limits.wide;
  resize({ wide: width, phone: width });
});

const hold = document.getElementById("see-before");
hold.addEventListener("pointerdown", () => before(true));
for (const end of ["pointerup", "pointerleave", "blur"]) hold.addEventListener(end, () => before(false));
addEventListener("keydown", (event) => {
  if (!typing(event.target) && !event.repeat && !document.querySelector("dialog[open]")) key(event);
});
addEventListener("keyup", (event) => {
  if (event.key.toLowerCase() === "b") before(false);
});
addEventListener("popstate", () => location.reload());

// For the instruments: a form sent as one gesture while it streams.
export const gestures = {
  limits: told.limits,
  begin() {
    moving = true;
    gesture = `g${Date.now().toString(36)}${Math.random().toString(36).slice(2, 6)}`;
    return gesture;
  },
  rest() {
    moving = false;
  },
  end(which) {
    if (gesture === which) gesture = ""; // unless the next has begun
  },
  stream,
  send,
  at,
};

Alpine.plugin(morph);
Alpine.data("plane", () => plane(gestures));
Alpine.data("focal", () => focal(gestures));
Alpine.data("waterfall", () => waterfall(gestures));
Alpine.start();
mode();
begun();
uploads(document.querySelector(".desk-frame"), body, async (answer) => {
  await settle(answer, opened);
  kept(sentence("kept_as", { what: answer.said }));
});
presence({
  every: told.every,
  at,
  token,
  chapter: () => state.chapter,
  revision: () => state.revision,
  behind() {
    if (working || writing || typing(document.activeElement || document.body)) return;
    kept(sentence("elsewhere"));
    open(location.href, "", false).then(() => recall(`${at("state")}?page=${state.page}`));
  },
});
