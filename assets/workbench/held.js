// What hands hold is theirs: a field that was changed and is not kept yet, a fold that stands open, a caret.
// No answer touches them.
import { config, state, typing } from "./state.js";

const DRAFTS = `yemba-drafts:${config.person}:${config.site}`;
const FIELDS = "#desk :is(input, select, textarea, [data-rich])";
const changed = new WeakMap(); // by field, the revision that its owner saw as it was first changed

let last = 0; // when a field was come to or changed, on the clock of the page
export function come() {
  last = performance.now();
}
export function hold(field) {
  come();
  if (field.closest("[data-tools]")) return; // of a bar, which keeps nothing
  if (field.name === "goes" || changed.has(field)) return; // what is ticked in the proof is kept by the proof
  changed.set(field, state.shown);
}
const formOf = (field) => field.form ?? field.closest("form");
// Kept once the field that was come to, or changed, since `when` is left or done; at once where none was.
export function handsFree(when) {
  const field = document.activeElement;
  if (last < when || !field?.closest("#desk") || !typing(field)) return Promise.resolve();
  return new Promise((resolve) => {
    for (const name of ["focusout", "change"]) field.addEventListener(name, () => setTimeout(resolve), { once: true });
  });
}

// Kept once what is moved by hand is let go.
export const handRests = () =>
  state.moving ? new Promise((resolve) => addEventListener("hand-rests", resolve, { once: true })) : Promise.resolve();

export const isHeld = (field) => changed.has(field);
export const rich = (field) => field.dataset?.rich !== undefined;

const OF_THE_PAGE = ["csrfmiddlewaretoken", "revision", "chapter", "here", "form"];

// What a form is about: forms of one id may be about one section now and about another then.
export function identity(form) {
  const hidden = [...form.querySelectorAll("input[type=hidden]")].filter(({ name }) => !OF_THE_PAGE.includes(name));
  return [form.id, ...hidden.map(({ name, value }) => `${name}=${value}`)].join(" ");
}

const all = () => [...document.querySelectorAll(FIELDS)].filter((field) => field.type !== "file");
export const heldFields = () => all().filter(isHeld);
export const heldForms = () => new Set(heldFields().map(formOf));

const heldOf = (form) => heldFields().filter((field) => formOf(field) === form);

// The revision that the owner of a form's words saw.
export function seenBy(form) {
  return Math.min(state.shown, ...heldOf(form).map((field) => changed.get(field)));
}

// The owner was told what stands there now.
export function sawAgain(form, revision) {
  for (const field of heldOf(form)) changed.set(field, revision);
}

// The names of a form's fields whose value is what was asked for.
function unchanged(form, fields) {
  const sent = (name) => String(fields.filter(([known]) => known === name).map(([, value]) => value));
  const now = new FormData(form);
  return (name) => String(now.getAll(name)) === sent(name);
}

// After an answer: what was asked for is kept. Words of a form that adds are taken out, unless more were written.
export function settled(form, fields) {
  const is = unchanged(form, fields);
  for (const field of form.querySelectorAll("input, select, textarea, [data-rich]")) {
    const name = rich(field) ? (form.elements.text ?? form.elements.words).name : field.name;
    if (!is(name)) continue;
    if (rich(field) && name === "words" && globalThis.richText.kept(field) !== form.elements.words.value) continue;
    changed.delete(field);
    if (form.dataset.edit === "submit") reset(field);
  }
}

// Words that were refused give way where their owner returned to what was there.
export function giveUpRefused() {
  for (const field of heldFields()) {
    if (field.getAttribute("aria-invalid") !== "true") continue;
    changed.delete(field);
    field.removeAttribute("aria-invalid");
  }
}

export function giveUp(form) {
  for (const field of form.querySelectorAll("input, select, textarea, [data-rich]")) changed.delete(field);
}

// A field that stands as it is kept, with the one that says the same.
export function letGo(field) {
  changed.delete(field);
  if (field.dataset.twin) changed.delete(document.getElementById(field.dataset.twin));
}

function reset(field) {
  if (rich(field) && formOf(field).dataset.edit === "submit") field.replaceChildren();
  if (rich(field) || field.type === "file" || field.type === "hidden") return;
  if (field.type === "checkbox" || field.type === "radio") field.checked = field.defaultChecked;
  else if (field.tagName === "SELECT")
    field.value = [...field.options].find((option) => option.defaultSelected)?.value ?? field.options[0]?.value;
  else field.value = field.defaultValue;
}

// One of several choices, another of which was pressed and is not kept.
function chosenBeside(field) {
  if (field.type !== "radio") return false;
  const choices = formOf(field)?.querySelectorAll("[type=radio]") ?? []; // some stand in no form
  return [...choices].some((one) => one.name === field.name && isHeld(one));
}

// A field that was typed in no longer follows its attribute: after a morph it is set to what is kept.
export function refresh() {
  for (const field of all()) {
    if (isHeld(field) || chosenBeside(field) || field.name === "goes") continue;
    if (field.value !== undefined && !(field.type === "range" && field === document.activeElement)) reset(field);
  }
}

const foldWords = (fold) => fold.querySelector("summary")?.textContent.replace(/\d+/g, "").trim();

// A place for faults gets an id only once it says one, and is the same place with it and without.
function key(element) {
  if (element.classList?.contains("fault")) return null;
  return element.dataset?.edit && element.tagName === "FORM" ? identity(element) : element.id || null;
}

// How a panel takes the place of the one before it: things with an id stay the same things, wherever they stand now.
export const morphing = {
  key,
  updating(from, to, _children, skip) {
    if (from.nodeType !== Node.ELEMENT_NODE) return;
    const folds = from.tagName === "DETAILS" && to.tagName === "DETAILS";
    const sameNamed = to.dataset.named !== undefined && from.id === to.id; // whose words are its owner's, and change
    if (folds && (sameNamed || foldWords(from) === foldWords(to))) to.open = from.open;
    const writing = rich(from) && from === document.activeElement;
    const saysWhy = from.classList.contains("fault") && from.textContent && heldForms().has(from.closest("form"));
    if (isHeld(from) || writing || saysWhy || from.dataset.keep !== undefined) skip();
  },
};

const nameOf = (field) => `${formOf(field) ? identity(formOf(field)) : ""}/${field.name || field.id}`;
const heldValue = (field) => (rich(field) ? field.innerHTML : field.type === "checkbox" ? field.checked : field.value);

// Held words outlive their desk: they stand there again when it comes back.
export function stash() {
  const drafts = { ...read() };
  for (const field of heldFields()) if (field.type !== "radio") drafts[nameOf(field)] = heldValue(field);
  if (Object.keys(drafts).length) sessionStorage.setItem(DRAFTS, JSON.stringify(drafts));
}

// Puts held words back and gives the forms they stand in.
export function unstash() {
  const drafts = read();
  const forms = new Set();
  for (const field of all()) {
    const value = drafts[nameOf(field)];
    if (value === undefined) continue;
    delete drafts[nameOf(field)];
    if (heldValue(field) === value) continue;
    if (rich(field)) field.innerHTML = value;
    else if (field.type === "checkbox") field.checked = value;
    else field.value = value;
    hold(field);
    for (let fold = field.closest("details"); fold; fold = fold.parentElement.closest("details")) fold.open = true;
    if (formOf(field)) forms.add(formOf(field));
  }
  sessionStorage.setItem(DRAFTS, JSON.stringify(drafts));
  return forms;
}

// Words that were kept, or left out, after their desk was left do not come back with it: they may have been undone since.
// `fields` are the names of those it is about, where it is not about all of the form.
export function forget(about, fields) {
  const asked = (name) => name.startsWith(`${about}/`) && (!fields || fields.includes(name.slice(about.length + 1)));
  const drafts = Object.entries(read()).filter(([name]) => !asked(name));
  sessionStorage.setItem(DRAFTS, JSON.stringify(Object.fromEntries(drafts)));
}

function read() {
  try {
    return JSON.parse(sessionStorage.getItem(DRAFTS)) ?? {};
  } catch {
    return {};
  }
}
