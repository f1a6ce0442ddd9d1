// The focal point: a pointer or arrow keys put it on the picture; three crops show what they keep.
import { byHand } from "./by_hand.js";
import { onDeskShown } from "./desk_shown.js";

export function focal(gestures) {
  return {
    init() {
      const form = () => this.form();
      const now = () => ["x", "y"].map((axis) => Number(form().elements[axis].value));
      byHand({
        surface: this.$refs.mark.parentElement,
        keys: this.$refs.mark,
        gestures,
        form,
        point: (across, down) => this.set(100 * across, 100 * down),
        step: (across, down, coarse) => {
          const [x, y] = now();
          const by = coarse ? 10 : 1;
          this.set(x + across * by, y + down * by);
        },
      });
      for (const anchor of this.$root.querySelectorAll("[data-anchor]"))
        anchor.addEventListener("click", () => this.anchor(anchor.dataset.anchor.split(" ").map(Number)));
      form().addEventListener("input", () => this.draw());
      this.draw();
      onDeskShown(this.$root, () => this.draw());
    },

    form() {
      return this.$root.querySelector("form");
    },

    draw() {
      const { x, y } = this.form().elements;
      const mark = this.$refs.mark;
      mark.style.left = `${Number(x.value)}%`;
      mark.style.top = `${Number(y.value)}%`;
      for (const anchor of this.$root.querySelectorAll("[data-anchor]"))
        anchor.toggleAttribute("data-now", anchor.dataset.anchor === `${x.value} ${y.value}`);
      for (const crop of this.$root.querySelectorAll(".crops img"))
        crop.style.objectPosition = `${Number(x.value)}% ${Number(y.value)}%`;
    },

    async anchor(spot) {
      const gesture = gestures.begin();
      this.set(...spot);
      gestures.rest();
      await gestures.send(this.form());
      gestures.end(gesture);
    },

    set(x, y) {
      const held = (share) => Math.round(Math.min(100, Math.max(0, share)));
      const { elements } = this.form();
      elements.x.value = held(x);
      elements.y.value = held(y);
      this.draw();
      gestures.stream(this.form());
    },
  };
}
