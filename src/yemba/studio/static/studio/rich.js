// Words with bold, italic and lists, written on the desk: kept when the field and its small bar are left.
import { hold, isHeld, rich } from "./held.js";

export function richWords(bench, send) {
  bench.addEventListener("input", ({ target }) => {
    if (rich(target)) hold(target);
  });
  bench.addEventListener("focusout", ({ target, relatedTarget }) => {
    const form = target.closest("form");
    const field = form?.querySelector("[data-rich]");
    if (!field || form.contains(relatedTarget) || !isHeld(field)) return;
    form.elements.words.value = field.innerHTML;
    send(form);
  });
  bench.addEventListener("click", ({ target }) => {
    const button = target.closest("[data-format]");
    if (!button) return;
    const field = button.closest("form").querySelector("[data-rich]");
    field.focus();
    const quoted = button.dataset.value && getSelection().anchorNode?.parentElement?.closest("blockquote");
    document.execCommand(quoted ? "outdent" : button.dataset.format, false, button.dataset.value);
  });
}
