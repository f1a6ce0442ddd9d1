// What is pointed at in a window: where its look comes from, and the control that decides it.
import { ask } from "./ask.js";
import { at, state } from "./state.js";
import { open } from "./view.js";

const cache = new Map();
let newest = null;
let followed = null;

export async function tell(what, { follow }) {
  newest = what;
  if (follow) followed = what;
  const query = new URLSearchParams({ place: what.place, field: what.field || "", item: what.item || "" });
  const key = `${state.revision}:${query}`;
  if (!cache.has(key)) cache.set(key, ask(`${at("where")}?${query}`));
  const answer = await cache.get(key);
  if (!answer.html) cache.delete(key);
  if (!answer.html) return;
  if (what === newest) document.getElementById("told").innerHTML = answer.html;
  if (what === followed) open(answer.address, { control: answer.control });
}
