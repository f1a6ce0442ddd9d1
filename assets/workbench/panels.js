// Chapters, desk and rail as the server draws them: asked for when the hand rests, given up when it goes on.
import Alpine from "@alpinejs/csp";
import { ask } from "./ask.js";
import { focusAgain, whereFocusIs } from "./focus.js";
import { identity, morphing, refresh, stash, unstash } from "./held.js";
import { deskShown } from "./proof.js";
import { sentence } from "./sentence.js";
import { queue, send } from "./sending.js";
import { signIn } from "./sign_in.js";
import { config, state } from "./state.js";
import { say } from "./status.js";
import { listPages } from "./view.js";

const REST = 120; // ms after an act
const PAUSE = 450; // ms after something that was moved by hand, or words: the next key may follow
let timer = 0;
let going = null;

// While it is on, what stands on the desk may move.
export const drawing = (on) => document.documentElement.toggleAttribute("data-drawing", on);

export function later(rest = REST) {
  clearTimeout(timer);
  going?.abort();
  going = null;
  timer = setTimeout(now, rest);
  drawing(true);
}

// A hand that goes on is not made to wait for the desk.
export function handMoves() {
  if (timer || going) later(PAUSE);
}

// After the answer to something that often goes on.
export const afterPause = () => later(PAUSE);

// What is drawn before an edit on its way is answered is older than what its hand sees.
const handsGoOn = () => state.moving || queue.going;

export async function now() {
  clearTimeout(timer);
  timer = 0;
  going?.abort();
  if (handsGoOn()) return later();
  drawing(true);
  const mine = new AbortController();
  going = mine;
  const address = location.href;
  const answer = await ask(address, undefined, { signal: mine.signal });
  if (going !== mine) return;
  going = null;
  drawing(false);
  if (!answer.panels) return notRead(answer, now);
  if (address !== location.href || handsGoOn() || answer.revision < state.revision) return later();
  show(answer);
}

// What could not be read is said, with a way on.
export function notRead({ lost, error }, again) {
  const acts = { signed_out: [sentence("sign_in"), () => signIn(again)] };
  if (lost !== "given_up") say(error.sentence, acts[lost] ?? [sentence("try_now"), again]);
}

export function morph(panel, html) {
  Alpine.morph(panel, html.trim(), morphing);
}

// Another chapter's desk is put in whole, so that its instrument starts anew; it is seen from its top.
function putIn(panel, html) {
  panel.parentElement.scrollTop = 0;
  panel.outerHTML = html.trim();
}

export function show(answer) {
  const focus = whereFocusIs();
  stash();
  for (const [id, html] of Object.entries(answer.panels)) {
    const panel = document.getElementById(id);
    if (id === "desk" && panel.dataset.chapter !== answer.chapter) putIn(panel, html);
    else morph(panel, html);
  }
  refresh();
  const { revision, chapter, pages, links } = answer;
  Object.assign(state, { chapter, pages, links, shown: revision, revision: Math.max(state.revision, revision) });
  config.base = answer.base;
  document.title = answer.title;
  listPages();
  for (const form of unstash()) if (form.dataset.edit === "change" && !queue.waitsFor(identity(form))) send(form);
  dispatchEvent(new Event("desk-shown")); // what scripts had drawn on it is drawn again
  if (!state.writing) focusAgain(focus);
  deskShown();
}
