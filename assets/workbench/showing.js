// What the windows show: the draft as it is kept, or something that is only looked at.
import { ask } from "./ask.js";
import { oneInFlight } from "./one_in_flight.js";
import { at, liveBeside, state } from "./state.js";
import { seeFoot, showPage } from "./view.js";
import { windows } from "./windows.js";

const streamed = new Set(); // places that windows show otherwise than kept
let behind = false; // whether windows have not been given what was kept, since something else is looked at
let kept = 0; // counts what was kept, so that what was only looked at before does not cover it
let looks = 0; // counts what was looked at
let looked = null; // what is looked at now, for a window that comes later and for edits answered meanwhile
// What is looked at is asked for one after the other, so that no older answer covers a newer one.
const inOrder = oneInFlight((request) => request());

// What is looked at, by its number, as an edit is asked for.
export const seen = () => looks;

function look(again) {
  looks += 1;
  looked = { again, number: looks };
}

// An edit's answer. Where the hand has gone on since it was asked for, windows stay with what it shows now.
export function patched(patch, asked = looks) {
  if (patch && patch.follow === undefined && looked?.number > asked) {
    kept += 1;
    behind = true;
    for (const place of Object.keys(patch.fragments || {})) streamed.add(place);
    looked.again();
    return;
  }
  streamed.clear();
  behind = false;
  looked = null;
  kept += 1;
  if (patch) apply(patch);
  seeFoot();
}

// A section stands where it goes before the answer comes. Standing sections follow others: there the server is waited for.
export function moveAhead(move) {
  if (move && !looked && !document.querySelector("#desk .is-standing")) windows.say({ type: "move", ...move });
}

// What was shown before it was kept, and is not: windows return to the draft, unless the hand has gone on since.
export function refused(asked = looks) {
  if (!(looked?.number > asked)) recall();
}

export function apply(patch) {
  if (patch.rules) restyle(patch.rules);
  if (patch.follow !== undefined) showPage(patch.follow, { path: patch.path });
  else if (windows.old) showPage(state.page, { anew: true });
  else windows.say({ type: "patch", patch }, liveBeside() ? "wide" : ""); // there the wide window is the live site
}

// The desk shows the owner's own fonts too, which may have come or gone.
let rules = "";
function restyle(now) {
  if (now === rules) return;
  rules = now;
  const link = document.getElementById("own-fonts");
  link.href = `${link.href.split("?")[0]}?${state.revision}`;
}

// What the windows would show if a form were kept; `more` is asked along with it, `hear` is told the answer.
export function stream(form, more = {}, hear = () => {}) {
  look(() => stream(form, more, hear));
  const data = new FormData(form);
  for (const [name, value] of Object.entries(more)) data.set(name, value);
  data.set("window_page", state.page);
  return inOrder(async () => {
    const before = kept;
    data.set("streamed", [...streamed].join(" "));
    const answer = await ask(at("stream"), data);
    if (before !== kept) return;
    if (!answer.patch) return behind && recall();
    behind = false;
    for (const place of Object.keys(answer.patch.fragments || {})) streamed.add(place);
    apply(answer.patch);
    hear(answer);
    const { begins: place } = answer;
    if (place) windows.say({ type: "scroll", page: state.page, place, share: 0 });
  });
}

// The page in view at a step, without a change, or live: `query` says which; "" is the draft.
export function recall(query = "") {
  if (query) look(() => recall(query));
  else looked = null;
  return inOrder(async () => {
    const before = kept;
    const answer = await ask(`${at("state")}?${query}${query && "&"}page=${state.page}`);
    if (answer.patch && before === kept) apply(answer.patch);
  });
}

export const lookAgain = () => (looked ? looked.again() : recall());
