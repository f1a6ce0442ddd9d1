// Forms and words become requests in the outgoing queue; answers become patches, faults and words for the status line.
import { ask } from "./ask.js";
import { fault } from "./fault.js";
import { forget, giveUpRefused, heldForms, identity, isHeld, sawAgain, seenBy, settled } from "./held.js";
import { KeptWords, ownWindow } from "./kept_words.js";
import { moveOf } from "./moves.js";
import * as panels from "./panels.js";
import { OutgoingQueue, ownToken } from "./queue.js";
import { sentence } from "./sentence.js";
import { signIn } from "./sign_in.js";
import { moveAhead, patched, refused, seen } from "./showing.js";
import { at, config, state } from "./state.js";
import { say, standing } from "./status.js";
import { open } from "./view.js";
import { windows } from "./windows.js";

const SLOW = 1500; // ms after which it is said that an answer is awaited
const SET_AT_SENDING = ["csrfmiddlewaretoken", "revision", "chapter", "here", "window", "window_page", "token"];

export const ownName = await ownWindow();
const kept = new KeptWords(config.person, config.site, ownName);
let slow = 0;

export const queue = new OutgoingQueue({
  post,
  store: kept,
  answered,
  changed(how) {
    clearTimeout(slow);
    if (how === "sending") slow = setTimeout(() => say(sentence("sending")), SLOW);
    stands();
  },
});
const queues = [queue]; // of the edits, and of the files beside it
export const beside = (other) => queues.push(other);
export const stands = () => standing(queues, { signIn: () => signIn(() => {}) });
for (const back of ["signed-in", "online"])
  addEventListener(back, () => {
    for (const one of queues) one.retry();
  });
queue.restore(await kept.load());

const pairs = (data) =>
  [...data].filter(([name, value]) => typeof value === "string" && !SET_AT_SENDING.includes(name));

// The request as it is asked for now: the revision says what its owner saw, so that no other window's edit is covered.
function request(address, form, fields, more) {
  return {
    token: ownToken(),
    window: ownName,
    revision: state.shown,
    seen: seen(),
    chapter: state.chapter,
    address,
    form,
    fields,
    ...more,
  };
}

// Of a form about several things that goes out as one changes, only those go that were changed; where none was, all of it.
function goes(form, name) {
  if (form.dataset.partly === undefined || !heldForms().has(form)) return true;
  const field = form.elements[name];
  return field.type === "hidden" || isHeld(field);
}

export function send(form) {
  const fields = pairs(new FormData(form)).filter(([name]) => goes(form, name));
  if (state.gesture) fields.push(["gesture", state.gesture]);
  const replaces = form.dataset.edit === "change";
  const partly = form.dataset.partly !== undefined;
  const more = { revision: seenBy(form), replaces, partly, again: form.dataset.repeat !== undefined };
  moveAhead(moveOf(fields));
  return queue.add(request(form.getAttribute("action"), identity(form), fields, more));
}

// Words written in a window: of a field of a section, or of a `setting` of a part.
export function sendWords({ place, field, item, setting, words }) {
  const asked = setting
    ? { command: "set-value", key: setting, value: words }
    : { command: "set-words", section: place, field, item: item || "", words };
  const fields = Object.entries(asked);
  queue.add(
    request(at("edit"), `words-${place}-${field}-${item || ""}`, fields, {
      replaces: true,
      there: { place, field, item },
    }),
  );
}

export function walk(which) {
  return queue.add(request(at(which), "", [], { said: { undo: "undone", redo: "redone" }[which], again: true }));
}

function post(asked) {
  const data = new FormData();
  for (const [name, value] of asked.fields) data.append(name, value);
  const { revision, chapter, window, token } = asked;
  for (const [name, value] of Object.entries({ revision, chapter, window, token, window_page: state.page }))
    data.set(name, value);
  return ask(asked.address, data, { outlives: true });
}

// The form a request came from, where it stands and is still about the same thing.
function formOf(asked) {
  const form = document.getElementById(asked.form.split(" ", 1)[0]);
  return form && identity(form) === asked.form ? form : null;
}

function answered(asked, answer) {
  const form = formOf(asked);
  const part = form && asked.partly ? asked.fields.map(([name]) => name) : undefined;
  if (asked.form && !answer.error && !queue.waitsFor(asked.form)) forget(asked.form, part);
  if ((answer.dropped || answer.error) && !asked.there) refused(asked.seen);
  if (answer.dropped) return say(sentence("left_out"));
  if (answer.error) {
    state.revision = Math.max(state.revision, answer.revision ?? 0);
    if (asked.there) windows.say({ ...asked.there, type: "fault", sentence: answer.error.sentence });
    if (form && answer.error.standing !== undefined) {
      state.shown = Math.max(state.shown, answer.revision);
      sawAgain(form, answer.revision);
    }
    if (form) fault(form, answer.error, { mine: () => send(form), theirs: () => panels.now() });
    if (!form || asked.there) say(answer.error.sentence);
    return;
  }
  if (form) {
    fault(form, null);
    settled(form, asked.fields);
  }
  if (asked.said || asked.form.startsWith("return-")) giveUpRefused();
  state.revision = Math.max(state.revision, answer.revision);
  if (queue.requests.some(({ fields }) => moveOf(fields))) delete answer.patch?.order; // that is older than what stands
  patched(answer.patch, asked.seen);
  say(words(asked, answer));
  const next = answer.address && new URL(answer.address, location.href);
  if (next?.pathname === location.pathname) open(onward(next), { control: answer.control });
  else if (asked.fields.some(goesOn)) panels.afterPause();
  else panels.later();
}

// After what is moved by hand, and after words, the next is often about to come.
const goesOn = ([name, value]) => name === "gesture" || (name === "command" && value === "set-words");

// On the same desk what else it shows stays: which section a ground is made for.
function onward(to) {
  if (!to.searchParams.has("page"))
    for (const [name, value] of new URLSearchParams(location.search))
      if (!to.searchParams.has(name)) to.searchParams.set(name, value);
  return to.href;
}

function words(asked, { said }) {
  if (asked.said) return sentence(asked.said, { what: said });
  return said ? sentence("kept_as", { what: said }) : sentence("kept");
}
