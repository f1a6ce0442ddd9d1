// Talking to the server: JSON out of every answer, and streams with one request in flight.
export async function ask(address, form) {
  const response = await fetch(address, {
    method: form ? "POST" : "GET",
    body: form,
    headers: { Accept: "application/json" },
  });
  const kind = response.headers.get("Content-Type") || "";
  if (!kind.includes("json")) {
    const reason = response.redirected ? "You are signed out. Sign in again in another tab, then go on." : `The server answered ${response.status}. Nothing is lost; try again.`;
    return { error: { sentence: reason, field: "" } };
  }
  return response.json();
}

// Only the newest request waits; what is overtaken is never sent.
export function oneInFlight(send) {
  let busy = false;
  let next = null;
  return async function run(...given) {
    if (busy) {
      next = given;
      return;
    }
    busy = true;
    try {
      await send(...given);
    } finally {
      busy = false;
      if (next) {
        const waiting = next;
        next = null;
        run(...waiting);
      }
    }
  };
}
