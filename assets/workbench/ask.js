// Talking to the server: JSON out of every answer. What brought no answer of the server's says why, in `lost`.
import { sentence } from "./sentence.js";

const PATIENCE = 30_000; // ms
const LIGHT = 50_000; // letters; up to this a request may outlive its page

export const token = () => /(?:^|; )csrftoken=([^;]+)/.exec(document.cookie)?.[1] ?? "";

const lost = (why, key, values) => ({ lost: why, error: { sentence: sentence(key, values), field: "" } });

function light(form) {
  let letters = 0;
  for (const [, value] of form) letters += typeof value === "string" ? value.length : LIGHT;
  return letters < LIGHT;
}

// One that `outlives` its page takes Chromium longer on its way: only what is to be kept is asked so.
export async function ask(address, form, { signal, outlives = false } = {}) {
  form?.delete("csrfmiddlewaretoken"); // the one in the page may be from before one signed in again
  const asked = new AbortController();
  const late = setTimeout(() => asked.abort(), PATIENCE);
  signal?.addEventListener("abort", () => asked.abort());
  try {
    const response = await fetch(address, {
      method: form ? "POST" : "GET",
      body: form,
      headers: { Accept: "application/json", ...(form && { "X-CSRFToken": token() }) },
      keepalive: outlives && light(form),
      signal: asked.signal,
    });
    if (response.status === 401 || response.status === 403) return lost("signed_out", "signed_out");
    const json = response.headers.get("Content-Type")?.includes("json");
    const answer = json ? await response.json() : lost("failed", "server_failed", { status: response.status });
    return response.status >= 500 ? { ...answer, lost: "failed" } : answer;
  } catch {
    return signal?.aborted ? { lost: "given_up" } : lost("offline", "offline");
  } finally {
    clearTimeout(late);
  }
}
