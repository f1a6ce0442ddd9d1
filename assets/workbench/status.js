// The one line that says how things stand: what was kept, what waits, and why.
import { land } from "./focus.js";
import { sentence } from "./sentence.js";

const line = () => document.getElementById("kept");
let cameFrom = null; // what had the focus before one of the line's buttons took it, but for a dialog that it opened
addEventListener("focusin", ({ target, relatedTarget: before }) => {
  if (line().contains(target) && before && !before.closest("#kept, dialog")) cameFrom = before;
});

// What waits for the server is said after whatever else is, unless that offers to do something itself.
let waits = { words: "", acts: [] };

// `acts` are buttons: what each says and does.
export function say(words, ...acts) {
  if (acts.length || !waits.words) put(words, ...acts.map(button));
  else put(words, document.createElement("br"), waits.words, ...waits.acts.map(button));
}

function button([name, act]) {
  const element = document.createElement("button");
  element.type = "button";
  element.className = "small";
  element.textContent = name;
  element.addEventListener("click", act);
  return element;
}

export const silence = () => put();

// A button that was pressed and goes leaves the focus to its like, or to where it came from.
function put(...parts) {
  const { activeElement } = document;
  const pressed = line().contains(activeElement);
  line().replaceChildren(...parts);
  if (!pressed) return;
  const alike = parts.find(({ textContent }) => textContent === activeElement.textContent);
  land(alike ?? (cameFrom?.isConnected ? cameFrom : line()));
}

// How what goes out stands, in words: the queue of edits, and that of the files beside it.
const WHY = { offline: "offline", failed: "failing", signed_out: "session_over" };
const WAITING = [
  ["one_waits", "some_wait"],
  ["one_file_waits", "some_files_wait"],
];

export function standing(queues, { signIn }) {
  const held = queues.filter((queue) => queue.holding);
  line().dataset.state = (held[0] ?? queues[0]).state;
  waits = held.length ? whatWaits(queues, held, signIn) : { words: "", acts: [] };
  if (held.length && !stands(waits)) put(waits.words, ...waits.acts.map(button));
}

// Whether just this is said already: a try that failed once more takes no button from under the pointer.
const stands = ({ words, acts }) => line().textContent === [words, ...acts.map(([name]) => name)].join("");

function whatWaits(queues, held, signIn) {
  const { state } = held[0];
  const counts = held.map((queue) => counted(...WAITING[queues.indexOf(queue)], queue.length));
  return { words: [sentence(WHY[state]), ...counts].join(" "), acts: ways(state, held, signIn) };
}

const counted = (one, some, count) => sentence(count === 1 ? one : some, { count });

function ways(state, held, signIn) {
  if (state === "signed_out") return [[sentence("sign_in"), signIn]];
  const retry = () => {
    for (const queue of held) queue.retry();
  };
  const again = [[sentence("try_now"), retry]];
  return state === "offline" ? again : [...again, [sentence("leave_out"), () => held[0].drop()]];
}
