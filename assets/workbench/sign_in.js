// Signing in again in place, where a session ended while someone worked.
import { token } from "./ask.js";
import { sentence } from "./sentence.js";

const dialog = document.getElementById("sign-in");
let then = () => {};

export function signIn(after) {
  then = after;
  dialog.querySelector(".fault").textContent = "";
  if (!dialog.open) dialog.showModal();
}

dialog.addEventListener("submit", async (event) => {
  event.preventDefault();
  const form = event.target;
  const fault = form.querySelector(".fault");
  try {
    if (!token()) await fetch(form.dataset.page); // brings the cookie that the next request answers with
    const data = new FormData(form);
    data.delete("csrfmiddlewaretoken");
    const headers = { Accept: "application/json", "X-CSRFToken": token() };
    const response = await fetch(form.getAttribute("action"), { method: "POST", body: data, headers });
    if (!response.ok) {
      const answer = await response.json().catch(() => ({}));
      fault.textContent = answer.error?.sentence ?? sentence("server_failed", { status: response.status });
      return;
    }
  } catch {
    fault.textContent = sentence("offline");
    return;
  }
  form.reset();
  dialog.close();
  for (const field of document.getElementsByName("csrfmiddlewaretoken")) field.value = token();
  dispatchEvent(new Event("signed-in"));
  then();
});
dialog.querySelector("[data-close]").addEventListener("click", () => dialog.close());
