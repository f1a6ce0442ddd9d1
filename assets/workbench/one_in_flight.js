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
