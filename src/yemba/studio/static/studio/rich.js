// Words with a little markup, written on the desk: kept when the field and its bar are left.
import { hold, isHeld, rich } from "./held.js";
import { state } from "./state.js";

const attached = new WeakSet();

export function richWords(bench, send) {
  bench.addEventListener("focusin", ({ target }) => {
    if (!rich(target) || attached.has(target)) return;
    attached.add(target);
    globalThis.writing.attach(target, target.closest("form").querySelector("[data-tools]"), () => state.links);
  });
  bench.addEventListener("input", ({ target }) => {
    if (rich(target)) hold(target);
  });
  bench.addEventListener("focusout", ({ target, relatedTarget }) => {
    const form = target.closest("form");
    const field = form?.querySelector("[data-rich]");
    if (!field || form.contains(relatedTarget) || !isHeld(field)) return;
    form.elements.words.value = globalThis.writing.kept(field);
    send(form);
  });
}
