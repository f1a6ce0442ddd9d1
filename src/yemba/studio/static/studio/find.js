// The list in which settings, pages and sections are found by words: asked for as it opens, since pages come and go.
import { ask } from "./ask.js";
import { sentence } from "./sentence.js";
import { at } from "./state.js";

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
  none().textContent = sentence("nothing_found");
  find(document.getElementById("find-words").value);
}

export function find(words) {
  const wanted = words.toLowerCase().split(/\s+/);
  let found = 0;
  for (const item of list().children) {
    item.hidden = !wanted.every((word) => item.dataset.words.includes(word));
    if (!item.hidden) found += 1;
  }
  none().hidden = found > 0 || !list().children.length;
}
