// The one line that says how things stand: what was kept, what waits, and why.
import { sentence } from "./sentence.js";

const line = () => document.getElementById("kept");

// `acts` are buttons: what each says and does.
export function say(words, ...acts) {
  const buttons = acts.map(([name, act]) => {
    const button = document.createElement("button");
    button.type = "button";
    button.className = "small";
    button.textContent = name;
    button.addEventListener("click", act);
    return button;
  });
  line().replaceChildren(words, ...buttons);
}

export const silence = () => line().replaceChildren();

// How the outgoing queue stands, in words.
export function standing(state, count, { retry, drop, signIn }) {
  line().dataset.state = state;
  const waits = sentence(count === 1 ? "one_waits" : "some_wait", { count });
  const again = [sentence("try_now"), retry];
  if (state === "offline") say(`${sentence("offline")} ${waits}`, again);
  else if (state === "failed") say(`${sentence("failing")} ${waits}`, again, [sentence("leave_out"), drop]);
  else if (state === "signed_out") say(`${sentence("session_over")} ${waits}`, [sentence("sign_in"), signIn]);
}
