// The waterfall: the end of a line is drawn along, or moved by keys, and its level takes that size.
import { byHand } from "./by_hand.js";

const FINE = 0.5; // px; what a key moves
const COARSE = 4;

export function waterfall(gestures) {
  return {
    init() {
      for (const handle of this.$el.querySelectorAll(".fall-handle")) this.take(handle);
    },

    take(handle) {
      const form = () => document.getElementById("fall");
      let start = null;
      let grasped = 0; // px from the end of the line to where it was taken hold of
      const begin = () => (start ??= { size: Number(handle.dataset.size), end: Number(handle.dataset.end) });
      byHand({
        surface: handle,
        keys: handle,
        gestures,
        form,
        // the handle is what is held; how far it was drawn is told by where the drawing begins
        point: (_across, _down, event) => {
          const { size, end } = begin();
          const at = event.clientX - handle.closest("svg").getBoundingClientRect().left;
          if (event.type === "pointerdown") grasped = at - end;
          this.set(handle, (size * Math.max(8, at - grasped)) / Math.max(8, end));
        },
        step: (across, down, coarse) => {
          begin();
          this.set(handle, Number(handle.dataset.size) + (across - down) * (coarse ? COARSE : FINE));
        },
        done: () => (start = null),
      });
    },

    set(handle, wanted) {
      const drawing = handle.closest("svg");
      const size = Math.min(
        gestures.limits.largestText,
        Math.max(gestures.limits.smallestText, Math.round(wanted / FINE) * FINE),
      );
      const before = Number(handle.dataset.size);
      handle.dataset.size = size;
      handle.setAttribute("aria-valuenow", size);
      handle.setAttribute("aria-valuetext", `${size} px`);
      for (const line of drawing.querySelectorAll("text")) {
        line.setAttribute("font-size", size);
        line.setAttribute("y", (Number(line.getAttribute("y")) * size) / before);
      }
      handle.dataset.end = (Number(handle.dataset.end) * size) / before;
      handle.setAttribute(
        "transform",
        `translate(${Math.min(handle.dataset.end, drawing.width.baseVal.value - 14)} 0)`,
      );
      const form = document.getElementById("fall");
      form.elements.key.value = handle.dataset.key;
      form.elements.value.value = size;
      gestures.stream(form);
    },
  };
}
