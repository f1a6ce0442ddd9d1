// Letter keys, and the two lists they open.
import { openFind } from "./find.js";
import { walk } from "./sending.js";

const OFF = "yemba-letter-keys-off";
const enabled = (which) => !document.querySelector(`[data-walk="${which}"] button`).disabled;

export const letters = {
  get on() {
    return localStorage.getItem(OFF) === null;
  },
  set on(value) {
    if (value) localStorage.removeItem(OFF);
    else localStorage.setItem(OFF, "1");
  },
};

// Undo and redo, if there is anything to; a key may come before the panel that says so.
export const step = (which) => (enabled(which) ? walk(which) : undefined);

export function key(event, before) {
  const name = event.key;
  if ((event.ctrlKey || event.metaKey) && name.toLowerCase() === "z") {
    event.preventDefault?.();
    step(event.shiftKey ? "redo" : "undo");
  } else if (event.ctrlKey || event.metaKey || event.altKey || !letters.on) {
    return;
  } else if (/^[1-9]$/.test(name)) {
    document.querySelectorAll("#chapters a")[Number(name) - 1]?.click();
  } else if (name === "b" || name === "B") {
    before(event.kind !== "keyup");
  } else if (name === "?") {
    document.getElementById("keys").showModal();
  } else if (name === "/") {
    event.preventDefault?.();
    openFind();
  }
}
