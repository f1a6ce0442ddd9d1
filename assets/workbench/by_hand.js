// Something moved on a surface by a pointer or by arrow keys, shown while it moves and kept as one gesture.
const REST = 600; // ms without a key after which a row of keys has ended: one looks at what each does
const ARROWS = { ArrowLeft: [-1, 0], ArrowRight: [1, 0], ArrowUp: [0, -1], ArrowDown: [0, 1] };

// `surface` takes the pointer, `keys` the arrows. `point(across, down, event)` is told shares of the surface, 0 to 1;
// `step(across, down, coarse, event)` one arrow. `form` is what is kept, `done` hears that it is.
export function byHand({ surface, keys, gestures, form, point, step, done }) {
  let resting = 0;
  let begun = false;
  let gesture = "";

  async function keep() {
    clearTimeout(resting);
    begun = false;
    const ended = gesture;
    gestures.rest();
    await gestures.send(form());
    gestures.end(ended);
    done?.();
  }
  function at(event) {
    const box = surface.getBoundingClientRect();
    const held = (share) => Math.min(1, Math.max(0, share));
    point(held((event.clientX - box.left) / box.width), held((event.clientY - box.top) / box.height), event);
  }

  surface.addEventListener("pointerdown", (event) => {
    surface.setPointerCapture(event.pointerId);
    gesture = gestures.begin(keep);
    at(event);
  });
  surface.addEventListener("pointermove", (event) => surface.hasPointerCapture(event.pointerId) && at(event));
  surface.addEventListener("lostpointercapture", keep); // let go, or taken by the browser: of a press that was taken up
  keys.addEventListener("keydown", (event) => {
    const arrow = ARROWS[event.key];
    if (!arrow) return;
    event.preventDefault();
    clearTimeout(resting);
    if (!begun) gesture = gestures.begin(keep);
    begun = true;
    step(...arrow, event.shiftKey, event);
  });
  keys.addEventListener("keyup", () => {
    if (!begun) return;
    clearTimeout(resting);
    resting = setTimeout(keep, REST);
  });
  keys.addEventListener("focusout", () => begun && keep()); // who moves on at once loses no key
  return keep;
}
