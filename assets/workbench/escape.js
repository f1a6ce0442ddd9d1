// Escape goes one step back: a field to the words that are kept, then the fold around it shuts.
import { fault } from "./fault.js";
import { isHeld, letGo, rich } from "./held.js";
import { sentence } from "./sentence.js";
import { typing } from "./state.js";
import { say } from "./status.js";

const before = new WeakMap(); // by rich field, its words as they were when it was come to

export function comeTo(field) {
  if (rich(field) && !isHeld(field)) before.set(field, field.innerHTML);
}

// Whether there was something to go back from.
export function stepBack(target) {
  if (isHeld(target) && typing(target) && target.tagName !== "SELECT") return asKept(target);
  const fold = target.closest?.("details[open]");
  if (!fold) return false;
  fold.open = false;
  fold.querySelector("summary").focus();
  return true;
}

// Put in as if by hand, so that the browser's own undo brings back what was typed.
function asKept(field) {
  if (rich(field)) {
    getSelection().selectAllChildren(field);
    document.execCommand("insertHTML", false, before.get(field) ?? "");
  } else {
    field.select();
    document.execCommand(field.defaultValue ? "insertText" : "delete", false, field.defaultValue);
    field.value = field.defaultValue; // where a field takes no text that is put in
  }
  letGo(field);
  fault(field.form ?? field.closest("form"), null);
  say(sentence("as_kept"));
  return true;
}
