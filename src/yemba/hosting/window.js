// In a draft page only: tells the workbench what is pointed at, takes patches, lets words be written.
// The server puts a first line before this one: const workbench, the studio's origin.
const main = document.getElementById("content");
const sheets = {
  rules: document.querySelector('link[href*="/rules."]'),
  values: document.querySelector('link[href*="/values."]'),
};
const streamed = new CSSStyleSheet();
document.adoptedStyleSheets = [streamed];
let own = -1; // where it was scrolled to from outside: of that nothing is said
let writing = null;
let choosing = 0;
let scale = 1; // how large the window is drawn
const END = 2; // a share that says: at the foot of the page
const TWICE = 350; // ms within which a second click makes a double one

const outline = new CSSStyleSheet();
outline.replaceSync(`
  html { scrollbar-width: none; }
  [data-pointed], [data-chosen] { outline: 2px solid #000 !important; outline-offset: 0; box-shadow: 0 0 0 4px #fff, 0 0 0 5px #000 !important; }
  [data-place]:is([data-pointed], [data-chosen]) { outline-offset: -2px !important; box-shadow: inset 0 0 0 4px #fff, inset 0 0 0 5px #000 !important; }
  [data-place] [data-place]:is([data-pointed], [data-chosen]) { outline-offset: 9px !important; box-shadow: 0 0 0 5px var(--fill), 0 0 0 9px #fff !important; }
  [data-as-visitors] [data-draft-only] { display: none !important; }
  [data-touched] { outline: 3px dotted #000 !important; outline-offset: -3px; box-shadow: inset 0 0 0 3px #fff !important; }
  [data-pointed]:not([data-chosen]) { outline-style: dashed !important; }
  [contenteditable] { outline: 3px solid #000 !important; box-shadow: 0 0 0 6px #fff !important; cursor: text; min-inline-size: 1em; }
  [data-hint] { position: relative; }
  [data-hint]::after { content: attr(data-hint); position: absolute; inset-block-start: 100%; inset-inline-start: 0; z-index: 9; inline-size: max-content; font: 700 15px/1.3 sans-serif; letter-spacing: 0; text-transform: none; background: #fff; color: #000; border: 2px solid #000; padding: 2px 8px; }
  [data-fault]::after { content: attr(data-fault); display: block; font: 700 15px/1.3 sans-serif; letter-spacing: 0; text-transform: none; background: #fff; color: #000; border-inline-start: 4px solid #000; padding: 4px 8px; }
`);
document.adoptedStyleSheets.push(outline);

const toolStyles = new CSSStyleSheet();
toolStyles.replaceSync(`
  :host { all: initial; position: fixed; z-index: 2147483647; color: #000; font: 13px/1.3 system-ui, sans-serif; color-scheme: light; }
  :host(:not([data-after])) { max-inline-size: 440px; padding: 5px; background: #fff; border: 2px solid #000; }
  :host([data-after]) { inset-inline: 0; display: grid; justify-items: center; pointer-events: none; }
  .add { pointer-events: auto; min-block-size: 32px; font-weight: 700; border: 2px solid #000; }
  [hidden] { display: none !important; }
  .formats { display: flex; flex-wrap: wrap; gap: 4px; }
  button { min-block-size: 26px; padding: 1px 7px; font: inherit; background: #fff; color: #000; border: 1px solid #6b6b6b; border-radius: 2px; cursor: pointer; }
  button:hover { border-color: #000; }
  button[aria-pressed=true] { background: #000; color: #fff; }
  :is(button, input):focus-visible { outline: 2px solid #000; outline-offset: 2px; }
  .link-to { margin-block-start: 6px; }
  input { inline-size: 100%; box-sizing: border-box; min-block-size: 32px; padding: 2px 8px; font: inherit; border: 1px solid #6b6b6b; background: #fff; color: #000; }
  ul { margin: 4px 0; padding: 0; list-style: none; }
  li { padding: 4px 8px; cursor: pointer; overflow-wrap: anywhere; }
  li:hover { background: #eee; }
  li[aria-selected=true] { background: #000; color: #fff; }
`);

const say = (message) => parent.postMessage(message, workbench);

function placeOf(element) {
  const place = element?.closest?.("[data-place]");
  if (!place) return null;
  const field = element.closest("[data-field]");
  const item = element.closest("[data-item]");
  return {
    place: place.dataset.place,
    field: field && place.contains(field) ? field.dataset.field : "",
    item: item && place.contains(item) ? item.dataset.item : "",
  };
}

function find({ place, field, item }) {
  let found = document.querySelector(`[data-place="${CSS.escape(place || "")}"]`);
  if (found && item) found = found.querySelector(`[data-item="${CSS.escape(item)}"]`) || found;
  if (found && field)
    found =
      (found.matches(`[data-field="${CSS.escape(field)}"]`)
        ? found
        : found.querySelector(`[data-field="${CSS.escape(field)}"]`)) || found;
  return found;
}

let chosen = null; // what is marked as chosen, for fragments that come anew
function mark(message) {
  const name = message.chosen ? "chosen" : "pointed";
  if (message.chosen) chosen = { ...message, scroll: false };
  for (const old of document.querySelectorAll(`[data-${name}]`)) delete old.dataset[name];
  const found = message.place && find(message);
  if (!found) return;
  found.dataset[name] = "";
  if (message.chosen && message.scroll) centre(found);
}

let touched = [];
function touch(places) {
  touched = places;
  for (const place of document.querySelectorAll("[data-place]"))
    place.toggleAttribute("data-touched", places.includes(place.dataset.place));
}

const standing = (place) => document.querySelector(`[data-place="${CSS.escape(place)}"]`);

// The window alone: scrollIntoView would also scroll the workbench, on a phone away from the desk.
function centre(element) {
  const { top, height } = element.getBoundingClientRect();
  goTo(scrollY + top - Math.max(0, innerHeight - height) / 2);
}

const sections = () => [...main.querySelectorAll(":scope > [data-place]")];

// Only what stands elsewhere is moved: the rest of the page need not be laid out anew.
function arrange(order) {
  for (const section of sections()) if (!order.includes(section.dataset.place)) section.remove();
  let [next] = sections();
  for (const place of order) {
    const section = standing(place);
    if (!section) continue; // of a page that is on its way
    if (section === next) next = next.nextElementSibling;
    else main.insertBefore(section, next ?? null);
  }
}

// One section is moved before another, to the end, or by so many.
function move({ place, before, by }) {
  const section = standing(place);
  if (section?.parentElement !== main) return;
  const others = sections().filter((one) => one !== section);
  const at = others.findIndex((one) => one.dataset.place === before);
  const next = before === undefined ? others[Math.max(0, sections().indexOf(section) + by)] : others[at];
  main.insertBefore(section, next ?? null);
}

const coming = new WeakMap(); // by the picture that stands, the one that is to take its place

// A picture stands until the one that comes in its place can be drawn: nothing blinks while a colour is dragged.
function keepPictures(old, fresh) {
  const pictures = (place) => [...place.querySelectorAll("picture, :not(picture) > img")];
  const [before, after] = [pictures(old), pictures(fresh)];
  if (before.length !== after.length) return;
  for (const [n, stays] of before.entries()) {
    after[n].replaceWith(stays);
    if (stays.isEqualNode(after[n])) coming.delete(stays);
    else swapWhenDrawn(stays, after[n]);
  }
}

async function swapWhenDrawn(stays, comes) {
  coming.set(stays, comes);
  const image = comes.matches("img") ? comes : comes.querySelector("img");
  image.loading = "eager";
  try {
    await image.decode();
  } catch {
    // what cannot be drawn is shown as a browser shows it
  }
  if (stays.isConnected && coming.get(stays) === comes) stays.replaceWith(comes);
}

let late = {}; // fragments that came while words of theirs were written
let values = ""; // of the sheet that was streamed: the same again would have the whole page styled anew

function patch(given) {
  if (given.values !== undefined && given.values !== values) {
    values = given.values;
    // A layer that comes anew has the whole page laid out; outside of layers the last one's rules outrank the same.
    streamed.replaceSync(values.replace("@layer values", "@media all"));
    if (sheets.values) sheets.values.disabled = true;
  }
  if (given.rules && !sheets.rules.href.endsWith(given.rules)) {
    const fresh = sheets.rules.cloneNode();
    fresh.href = sheets.rules.href.replace(/rules\.[^/]*$/, given.rules);
    const old = sheets.rules;
    fresh.addEventListener("load", () => old.remove());
    old.after(fresh);
    sheets.rules = fresh;
  }
  if (given.arrangement) document.body.dataset.header = given.arrangement;
  if (given.ground) document.body.dataset.ground = given.ground;
  for (const [place, html] of Object.entries(given.fragments || {})) {
    if (writing && standing(place)?.contains(writing.element)) {
      late[place] = html;
      continue;
    }
    const holder = document.createElement("template");
    holder.innerHTML = html.trim();
    const old = standing(place);
    if (old) {
      old.replaceWith(holder.content);
      keepPictures(old, standing(place));
    } else main.append(holder.content);
  }
  if (given.frame) {
    main.parentElement.dataset.sidebar = given.frame.sidebar;
    main[given.frame.folds](standing("sidebar"));
  }
  if (given.order) arrange(given.order);
  if (touched.length) touch(touched); // fragments that came anew carry no marks yet
  if (chosen) mark(chosen);
}

// Between two sections, and before and after them all, stands a button that adds one there.
const REACH = 14; // px of the screen from an edge of a section, within which it shows
const adding = document.createElement("div");
adding.dataset.writing = "";
const addRoot = adding.attachShadow({ mode: "open" });
addRoot.adoptedStyleSheets = [toolStyles];
addRoot.innerHTML = '<button type="button" class="add">+ section</button>';

function showAdding(y) {
  const edges = sections().map((section) => [section.getBoundingClientRect().bottom, section.dataset.place]);
  edges.unshift([main.getBoundingClientRect().top, ""]);
  const [top, after] = edges.find(([edge]) => Math.abs(edge - y) * scale < REACH) ?? [];
  const isLive = location.pathname.includes("/@live/");
  if (top === undefined || writing || isLive) return adding.remove();
  adding.dataset.after = after;
  adding.style.zoom = 1 / scale;
  adding.style.top = `${Math.min(Math.max(4, top * scale - 16), innerHeight * scale - 36)}px`;
  if (!adding.isConnected) document.body.append(adding);
}
addEventListener("pointermove", ({ clientY, target }) => target === adding || showAdding(clientY));
addEventListener("scroll", () => adding.remove());
document.documentElement.addEventListener("pointerleave", () => adding.remove());
adding.addEventListener("click", () => {
  say({ type: "add", after: adding.dataset.after });
  adding.remove();
});

// The bar stands over the words that are written, out of reach of the site's styles.
const tools = { host: null, detach: null };
function showTools({ markup, links: known }) {
  if (!writing?.rich || tools.host) return;
  const host = document.createElement("div");
  host.dataset.writing = "";
  const root = host.attachShadow({ mode: "open" });
  root.adoptedStyleSheets = [toolStyles];
  root.innerHTML = markup;
  host.style.zoom = 1 / scale;
  document.body.append(host);
  for (const box of [host, writing.element]) toolSize.observe(box);
  Object.assign(tools, { host, detach: globalThis.richText.attach(writing.element, root, () => known) });
  placeTools();
}

// Over the words where there is room, else under their first line; always within the window.
function placeTools() {
  if (!tools.host) return;
  const { zoom } = tools.host.style;
  const words = writing.element.getBoundingClientRect();
  const { offsetHeight: height, offsetWidth: width } = tools.host;
  const top = Math.max(4, Math.min(words.top - height * zoom - 12, innerHeight - height * zoom - 4));
  const left = Math.max(4, Math.min(words.left, innerWidth - width * zoom - 4));
  tools.host.style.top = `${top / zoom}px`;
  tools.host.style.left = `${left / zoom}px`;
}
const toolSize = new ResizeObserver(placeTools);
addEventListener("scroll", placeTools);
addEventListener("input", placeTools); // words in the middle of a box move as it grows
addEventListener("resize", placeTools);

function hideTools() {
  tools.detach?.();
  toolSize.disconnect();
  tools.host?.remove();
  Object.assign(tools, { host: null, detach: null });
}

function write(element) {
  if (writing) stop(true);
  const before = element.innerHTML;
  const rich = element.dataset.edit === "words";
  element.contentEditable = rich ? "true" : "plaintext-only";
  element.setAttribute("role", "textbox");
  element.setAttribute("aria-label", "Write here. Escape leaves it as it was.");
  if (element.dataset.stored !== undefined) element.textContent = element.dataset.stored; // what is filled in stands as it is kept
  writing = { element, before, rich, written: element.innerHTML };
  say({ type: "writing", on: true });
  element.focus();
}

// Asked for by a key on the desk: the words stand in the middle, and are written.
function writeAt(what) {
  const found = find(what);
  const words = found?.matches("[data-edit]") ? found : null;
  if (!words) return;
  centre(words);
  write(words);
  const selection = getSelection();
  selection.selectAllChildren(words);
  selection.collapseToEnd(); // one goes on at the end
}

// `done` says that who writes ended it by a key, and goes back to where they came from.
function stop(keep, done = false) {
  const { element, before, rich, written } = writing;
  writing = null;
  hideTools();
  say({ type: "writing", on: false, done });
  for (const name of ["contenteditable", "role", "aria-label"]) element.removeAttribute(name);
  const fragments = late;
  late = {};
  const isSame = !keep || element.innerHTML === written;
  const words = rich ? globalThis.richText.kept(element) : line(element);
  if (isSame) {
    element.innerHTML = before;
    patch({ fragments });
  } else say({ type: "words", ...placeOf(element), setting: element.dataset.setting, words });
}

// As it was typed: what styles make of its case is not in the text, a broken line is a blank.
function line(element) {
  const copy = element.cloneNode(true);
  for (const end of copy.querySelectorAll("br")) end.replaceWith(" ");
  return copy.textContent;
}

addEventListener("message", (event) => {
  if (event.source !== parent || event.origin !== workbench) return;
  const { data } = event;
  if (data.type === "patch") patch(data.patch);
  else if (data.type === "move") move(data);
  else if (data.type === "mark") mark(data);
  else if (data.type === "touch") touch(data.places);
  else if (data.type === "see") see(data.matrix);
  else if (data.type === "as-visitors") document.documentElement.toggleAttribute("data-as-visitors", data.on);
  else if (data.type === "tools") showTools(data);
  else if (data.type === "write") writeAt(data);
  else if (data.type === "scale") scale = data.scale;
  else if (data.type === "where") scrollY < 2 || sayScroll();
  else if (data.type === "hello") say({ type: "ready", page: document.body.dataset.page });
  else if (data.type === "measure")
    Promise.race([document.fonts.ready, new Promise((late) => setTimeout(late, 1500))]).then(measured); // unseen, it gets no frames
  else if (data.type === "fault") {
    const found = find(data);
    if (found) found.dataset.fault = data.sentence;
  } else if (data.type === "scroll" && data.page === document.body.dataset.page) {
    const found = data.place && find({ place: data.place });
    const top = found ? found.getBoundingClientRect().top + scrollY : 0;
    const height = found ? found.offsetHeight : document.documentElement.scrollHeight;
    if (data.share === END) goTo(document.documentElement.scrollHeight);
    else goTo(data.share < 0 ? 0 : top + data.share * height);
  }
});

// How wide the content came out, which place pushed it, and the boxes of what can be tapped but words in a sentence.
function measured() {
  const out = globalThis.measures.overflowing().sort((one, other) => other.over - one.over)[0];
  const content = Math.max(document.documentElement.scrollWidth, innerWidth + (out?.over ?? 0));
  const inSentence = (element) =>
    getComputedStyle(element).display === "inline" &&
    element.parentElement.textContent.trim() !== element.textContent.trim();
  const targets = [...document.querySelectorAll("a, button, input, select, textarea, summary")]
    .filter((element) => element.checkVisibility() && !element.closest(".unseen, .skip") && !inSentence(element))
    .map((element) => {
      const box = element.getBoundingClientRect();
      const place = element.closest("[data-place]")?.dataset.place || "";
      return [place, element.textContent.trim().slice(0, 40), box.x, box.y + scrollY, box.width, box.height];
    });
  say({ type: "measured", content, widest: out?.place || "header", targets, heights: globalThis.measures.heights() });
}

function goTo(top) {
  scrollTo({ top, behavior: "instant" });
  own = scrollY;
}

addEventListener("scroll", () => scrollY === own || sayScroll());

function sayScroll() {
  const places = [...document.querySelectorAll("[data-place]")];
  const at = places.find((place) => place.getBoundingClientRect().bottom > 0);
  const { page } = document.body.dataset;
  if (!at || scrollY < 2) return say({ type: "scroll", page, share: -1 });
  if (scrollY + innerHeight >= document.documentElement.scrollHeight - 2)
    return say({ type: "scroll", page, share: END });
  const box = at.getBoundingClientRect();
  say({ type: "scroll", page, place: at.dataset.place, share: -box.top / box.height });
}

addEventListener("pointerover", (event) => {
  const what = placeOf(event.target);
  mark({ ...what, chosen: false });
  if (what) say({ type: "point", ...what });
});
document.documentElement.addEventListener("pointerleave", () => {
  mark({});
  say({ type: "point", place: "" });
});

addEventListener(
  "click",
  (event) => {
    if (event.target.closest("[data-writing]")) return;
    if (writing && !writing.element.contains(event.target)) stop(true);
    if (event.target.closest("[contenteditable]")) return;
    const link = event.target.closest("a");
    if (link) event.preventDefault();
    if (event.target.closest("button")) return;
    const what = placeOf(event.target);
    if (!what) return;
    mark({ ...what, chosen: true });
    clearTimeout(choosing);
    if (link) hint(link);
    if (event.detail > 1) return; // a double click writes, or follows
    const choose = () => say({ type: "choose", ...what });
    if (link) choosing = setTimeout(choose, TWICE);
    else choose();
  },
  true,
);

// What one click on a link does not do is said at the link.
function hint(link) {
  for (const old of document.querySelectorAll("[data-hint]")) delete old.dataset.hint;
  link.dataset.hint = "Double-click follows this link";
  setTimeout(() => delete link.dataset.hint, 2500);
}

addEventListener("dblclick", (event) => {
  clearTimeout(choosing);
  const words = event.target.closest("[data-edit]");
  const link = event.target.closest("a");
  if (words) return write(words);
  if (link) follow(link);
});

function follow(link) {
  const to = new URL(link.href);
  const base = location.pathname.split("/").slice(0, 2).join("/");
  if (to.origin === location.origin && to.pathname.startsWith(base)) {
    say({ type: "follow", path: to.pathname.slice(base.length + 1).replace("@live/", "") });
  } else open(link.href, "_blank", "noopener");
}

addEventListener("keydown", (event) => {
  if (writing) {
    if (event.target.closest?.("[data-writing]")) return;
    if (event.key === "Escape") stop(false, true);
    else if (event.key === "Enter" && (!writing.rich || event.ctrlKey || event.metaKey)) {
      event.preventDefault();
      stop(true, true);
    }
    return;
  }
  const link = event.target.closest?.("a");
  if (event.key === "Enter" && link) {
    event.preventDefault();
    return event.ctrlKey || event.metaKey ? follow(link) : link.click();
  }
  if (!event.repeat)
    say({
      type: "key",
      key: event.key,
      ctrlKey: event.ctrlKey,
      metaKey: event.metaKey,
      shiftKey: event.shiftKey,
      altKey: event.altKey,
    });
});
addEventListener(
  "keyup",
  (event) => event.key.toLowerCase() === "b" && !writing && say({ type: "key", kind: "keyup", key: event.key }),
);
addEventListener("focusout", ({ relatedTarget }) => {
  if (writing && !writing.element.contains(relatedTarget) && !relatedTarget?.closest("[data-writing]")) stop(true);
});

// The page as another colour vision sees it: the rows of a colour matrix in linear light, "" for none.
function see(matrix) {
  document.getElementById("seen-as")?.parentElement.remove();
  document.documentElement.style.filter = "";
  if (!matrix) return;
  const made =
    '<svg width="0" height="0" aria-hidden="true"><filter id="seen-as" color-interpolation-filters="linearRGB"><feColorMatrix/></filter></svg>';
  document.body.insertAdjacentHTML("beforeend", made);
  document.querySelector("#seen-as feColorMatrix").setAttribute("values", matrix);
  document.documentElement.style.filter = "url(#seen-as)";
}

say({ type: "ready", page: document.body.dataset.page });
