// Talking to the server: JSON out of every answer.
import { sentence } from "./sentence.js";

export async function ask(address, form) {
  const response = await fetch(address, {
    method: form ? "POST" : "GET",
    body: form,
    headers: { Accept: "application/json" },
  });
  const kind = response.headers.get("Content-Type") || "";
  if (!kind.includes("json")) {
    const reason = response.redirected
      ? sentence("signed_out")
      : sentence("server_failed", { status: response.status });
    return { error: { sentence: reason, field: "" } };
  }
  return response.json();
}
