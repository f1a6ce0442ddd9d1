// A list in an order, one level deep where its rows nest. A grip drags its row: to where it is let go, and, drawn inwards,
// under the row above. Arrow keys on the grip do the same.
import { EdgeScroll } from "./edge_scroll.js";

const INWARDS = 24; // px to the side from which on a row stands under another

export function sort(gestures) {
  return {
    init() {
      const list = this.$root;
      list.addEventListener("pointerdown", (event) => this.lift(event));
      list.addEventListener("keydown", (event) => this.step(event));
    },

    rows() {
      return [...this.$root.querySelectorAll("[data-sorted]")].filter((row) => this.owns(row));
    },

    // A list may stand in a row of another.
    owns(element) {
      return element?.closest("[data-sort]") === this.$root;
    },

    // The rows among which another can be put: all but itself and those under it.
    others(row) {
      const own = row.dataset.sorted;
      return this.rows().filter((one) => one !== row && one.dataset.over !== own);
    },

    lift(event) {
      const grip = event.target.closest("[data-grip]");
      if (!this.owns(grip) || event.button) return;
      event.preventDefault();
      grip.focus();
      grip.setPointerCapture(event.pointerId);
      const row = grip.closest("[data-sorted]");
      const start = { x: event.clientX, y: event.clientY };
      const way = getComputedStyle(row).direction === "rtl" ? -1 : 1;
      let goes = null;
      row.classList.add("is-lifted");
      const look = ({ x, y }) => {
        goes = this.place(row, y, this.$root.dataset.nest && way * (x - start.x) > INWARDS);
        this.show(row, goes);
      };
      const edges = new EdgeScroll(this.$root, look);
      const move = ({ clientX: x, clientY: y }) => {
        if (Math.abs(y - start.y) < 4 && Math.abs(x - start.x) < 4) return;
        edges.pointer = { x, y };
        look(edges.pointer);
      };
      const drop = ({ type }) => {
        edges.stop();
        grip.removeEventListener("pointermove", move);
        row.classList.remove("is-lifted");
        this.show(row, null);
        if (type === "pointerup" && goes) this.send(row, goes);
      };
      grip.addEventListener("pointermove", move);
      grip.addEventListener("pointerup", drop, { once: true });
      grip.addEventListener("pointercancel", drop, { once: true });
    },

    // Where a row goes that is let go at a height of the window: `at` is its place among the others.
    place(row, height, inwards) {
      const others = this.others(row);
      const middle = (one) => one.getBoundingClientRect().top + one.offsetHeight / 2;
      const at = others.filter((one) => middle(one) < height).length;
      return this.goes(row, others, at, inwards);
    },

    goes(row, others, at, inwards) {
      const above = others[at - 1];
      const holds = this.rows().some((one) => one.dataset.over === row.dataset.sorted);
      if (inwards && above && !holds) {
        const under = above.dataset.over || above.dataset.sorted;
        const next = others[at];
        return { under, before: next?.dataset.over === under ? next.dataset.sorted : "", at };
      }
      let next = at;
      while (others[next]?.dataset.over) next += 1; // a row at the top stands behind all that is under the one above
      return { under: "", before: others[next]?.dataset.sorted ?? "", at: next };
    },

    // A line where the row would stand, drawn in where it would stand under another.
    show(row, goes) {
      for (const one of this.rows()) one.classList.remove("drops-before", "drops-after", "drops-under");
      if (!goes) return;
      const others = this.others(row);
      const next = others[goes.at];
      const mark = next ?? others.at(-1);
      mark?.classList.add(next ? "drops-before" : "drops-after");
      if (goes.under) mark?.classList.add("drops-under");
    },

    send(row, { under, before }) {
      const form = document.getElementById(this.$root.dataset.sort);
      form.querySelector("[data-row]").value = row.dataset.sorted;
      if (form.elements.under) Object.assign(form.elements.under, { value: under });
      Object.assign(form.elements.before, { value: before });
      gestures.send(form);
    },

    // Asked for by the way alone: the next key may come before the list stands as the last one left it.
    step(event) {
      const grip = event.target.closest("[data-grip]");
      const step = { ArrowUp: ["move", -1], ArrowDown: ["move", 1], ArrowRight: ["nest", 1], ArrowLeft: ["nest", -1] }[
        event.key
      ];
      if (!this.owns(grip) || !step || !this.$root.dataset[step[0]]) return;
      event.preventDefault();
      event.stopPropagation();
      const [what, by] = step;
      const form = document.getElementById(this.$root.dataset[what]);
      form.querySelector("[data-row]").value = grip.closest("[data-sorted]").dataset.sorted;
      Object.assign(form.elements.by, { value: by });
      gestures.send(form);
    },
  };
}
