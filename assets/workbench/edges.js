// Edges that are drawn: those of the two windows, and the one between desk and windows. By pointer and by arrow keys.
const FINE = 10; // px
const COARSE = 100;

// `value` gives the width now, `set` makes it another and gives what came of it, `pace` says how many px one drawn is,
// less than 0 where drawing to the left widens.
export function edge(handle, { value, set, pace }) {
  let start = null;
  const tell = (width) => handle.setAttribute("aria-valuenow", width);
  handle.addEventListener("pointerdown", (event) => {
    handle.setPointerCapture(event.pointerId);
    start = { x: event.clientX, width: value(), pace: pace() };
  });
  handle.addEventListener("pointermove", (event) => {
    if (start && handle.hasPointerCapture(event.pointerId))
      tell(set(start.width + (event.clientX - start.x) * start.pace));
  });
  handle.addEventListener("lostpointercapture", () => {
    start = null;
  });
  handle.addEventListener("keydown", (event) => {
    const way = { ArrowLeft: -1, ArrowRight: 1 }[event.key];
    if (!way) return;
    event.preventDefault();
    event.stopPropagation();
    tell(set(value() + way * Math.sign(pace()) * (event.shiftKey ? COARSE : FINE)));
  });
  tell(value());
}

const DESK = "yemba-desk-width";

// The desk from its narrowest to half the window, as wide in this browser as it was drawn last.
export function deskEdge(handle, bench) {
  const narrowest = Number(handle.getAttribute("aria-valuemin"));
  const frame = bench.querySelector(".desk-frame");
  const fromRight = getComputedStyle(bench).direction === "rtl";
  const set = (wanted) => {
    const width = Math.round(Math.min(innerWidth / 2, Math.max(narrowest, wanted)));
    bench.style.setProperty("--desk-width", `${width}px`);
    localStorage.setItem(DESK, width);
    return width;
  };
  const known = Number(localStorage.getItem(DESK));
  if (known) set(known);
  edge(handle, { value: () => Math.round(frame.getBoundingClientRect().width), set, pace: () => (fromRight ? -1 : 1) });
}
