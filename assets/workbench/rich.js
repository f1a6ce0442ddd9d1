// Words with a little markup, written on the desk: kept when the field and its bar are left, or added by their button.
import { fault } from "./fault.js";
import { hold, isHeld, rich } from "./held.js";
import { sentence } from "./sentence.js";
import { state } from "./state.js";

const attached = new WeakSet();
const MOST_BYTES = 1_000_000; // of a text file

export function richWords(bench, { send, stream, recall }) {
  // What a text that is not added yet would bring is shown while one is at it, and in the windows.
  function shows(form) {
    if (form?.dataset.edit !== "submit" || !form.elements.text) return false;
    const field = form.querySelector("[data-rich]");
    written(form, field);
    return Boolean(field.textContent.trim());
  }
  const formOf = (target) => target.form ?? target.closest("form");

  bench.addEventListener("focusin", ({ target }) => {
    if (shows(formOf(target))) stream(formOf(target));
    if (!rich(target) || attached.has(target)) return;
    attached.add(target);
    globalThis.richText.attach(target, target.closest("form").querySelector("[data-tools]"), () => state.links);
  });
  bench.addEventListener("input", ({ target }) => {
    if (!rich(target)) return;
    hold(target);
    const form = target.closest("form");
    if (form.dataset.edit === "change") written(form, target);
    if (form.dataset.edit === "change" || shows(form)) stream(form);
    else recall();
  });
  bench.addEventListener("submit", ({ target }) => shows(target), true);
  addEventListener("desk-opens", () => [...bench.querySelectorAll("form[data-stream]")].some(shows) && recall());
  bench.addEventListener("focusout", ({ target, relatedTarget }) => {
    const form = formOf(target);
    if (shows(form) && relatedTarget && !form.contains(relatedTarget)) recall();
    const field = form?.querySelector("[data-rich]");
    if (!field || form.dataset.edit !== "change" || form.contains(relatedTarget) || !isHeld(field)) return;
    written(form, field);
    send(form);
  });
  bench.addEventListener("change", async ({ target }) => {
    const [file] = target.dataset.import === undefined ? [] : target.files;
    if (!file) return;
    const form = target.closest("form");
    const tooLarge = { name: file.name, kilobytes: Math.ceil(file.size / 1000), most: MOST_BYTES / 1000 };
    fault(form, file.size > MOST_BYTES ? { sentence: sentence("text_too_large", tooLarge), field: "text" } : null);
    if (file.size > MOST_BYTES) return;
    const field = form.querySelector("[data-rich]");
    const text = await file.text();
    if (/\.html?$/i.test(file.name)) field.innerHTML = globalThis.richText.pasted(text);
    else field.innerText = text;
    target.value = "";
    field.dispatchEvent(new Event("input", { bubbles: true }));
  });
}

// What a form sends of its rich words; lines of plain text go as they are, for they may be Markdown.
function written(form, field) {
  const plain = !field.querySelector(":not(p, div, br)");
  const { words, text } = form.elements;
  if (text) text.value = plain ? field.innerText : globalThis.richText.kept(field);
  else words.value = globalThis.richText.kept(field);
}
