// What was refused is said beside its field, with what to do.
import { giveUp } from "./held.js";
import { sentence } from "./sentence.js";
import { say } from "./status.js";

const LONGEST = 60; // letters on a button

export function fault(form, error, { mine, theirs } = {}) {
  const slot = form.querySelector(".fault");
  if (!slot) return error && say(error.sentence);
  slot.textContent = error ? error.sentence : "";
  const field =
    form.querySelector(`[name="${error?.field}"]:not([type=hidden])`) ||
    form.querySelector("input:not([type=hidden]), select, textarea");
  if (!error) {
    for (const refused of form.querySelectorAll("[aria-invalid]")) refused.removeAttribute("aria-invalid");
    return;
  }
  if (field) {
    slot.id ||= `fault-${form.id}`;
    field.setAttribute("aria-invalid", "true");
    field.setAttribute("aria-describedby", slot.id);
  }
  if (error.standing !== undefined) offer(form, slot, error, mine, theirs);
}

// Two hands on one place: what stands there, what was wanted, and a button for each.
function offer(form, slot, { standing, wanted }, mine, theirs) {
  const both = [
    [sentence("put_mine", { value: wanted }), mine],
    [
      sentence("keep_theirs", { value: standing }),
      () => {
        giveUp(form);
        theirs();
      },
    ],
  ];
  for (const [words, choose] of both) {
    const button = document.createElement("button");
    button.type = "button";
    button.className = "small";
    button.textContent = words.length > LONGEST ? `${words.slice(0, LONGEST - 2)}…”` : words;
    button.addEventListener("click", () => {
      slot.textContent = "";
      choose();
    });
    slot.append(button);
  }
}
