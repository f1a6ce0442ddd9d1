// The list in which settings, pages and sections are found by words: asked for as it opens, since pages come and go.
import { ask } from "./ask.js";
import { sentence } from "./sentence.js";
import { at } from "./state.js";

let entries = []; // in the order of the server

const list = () => document.getElementById("found");
const none = () => document.getElementById("found-none");

export async function openFind() {
  const dialog = document.getElementById("find");
  if (!dialog.open) dialog.showModal();
  const answer = await ask(at("find"));
  if (answer.lost) {
    none().textContent = answer.error?.sentence ?? "";
    none().hidden = false;
    return;
  }
  list().innerHTML = answer.html;
  entries = [...list().children];
  none().textContent = sentence("nothing_found");
  find(document.getElementById("find-words").value);
}

// Those whose name says it stand before those that plain words lead to.
export function find(words) {
  const wanted = words.toLowerCase().split(/\s+/);
  const says = (text) => wanted.every((word) => text.toLowerCase().includes(word));
  for (const entry of entries) entry.hidden = !says(entry.dataset.words);
  const named = entries.filter((entry) => says(entry.dataset.name));
  list().append(...named, ...entries.filter((entry) => !named.includes(entry)));
  none().hidden = links().length > 0 || !entries.length;
}

const links = () => [...list().querySelectorAll("li:not([hidden]) a")];

// Enter goes to the first that is found, arrows from one to the next.
export function findKey(event) {
  const field = document.getElementById("find-words");
  const by = { ArrowDown: 1, ArrowUp: -1 }[event.key];
  if (event.key === "Enter" && event.target === field) links()[0]?.click();
  else if (by) (links()[links().indexOf(event.target) + by] ?? field).focus();
  else return;
  event.preventDefault();
}
