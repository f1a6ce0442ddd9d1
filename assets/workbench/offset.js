// A small picture on a drawing of what it stands in: a pointer or arrow keys move it; what is kept is its offset from its
// anchor, in px of the window.
import { byHand } from "./by_hand.js";

export function offset(gestures) {
  return {
    init() {
      const mark = this.$refs.mark;
      byHand({
        surface: mark.parentElement,
        keys: mark,
        gestures,
        form: () => this.form(),
        point: (across, down) => {
          const { width, height, broad, tall } = this.sizes();
          this.stand(across * width - broad / 2, down * height - tall / 2);
        },
        step: (across, down, coarse) => {
          const by = coarse ? 10 : 1;
          const { x, y } = this.form().elements;
          this.set(Number(x.value) + across * by, Number(y.value) + down * by);
        },
      });
    },

    form() {
      return this.$root.querySelector("form");
    },

    sizes() {
      return Object.fromEntries(Object.entries(this.$root.dataset).map(([name, value]) => [name, Number(value)]));
    },

    // The offset with which it begins there.
    stand(x, y) {
      const { width, height, broad, tall, across, down } = this.sizes();
      const held = (place, room) => Math.min(Math.max(0, room), Math.max(0, place));
      this.set(
        held(x, width - broad) - across * (width - broad),
        held(y, height - tall) - down * Math.max(0, height - tall),
      );
    },

    set(x, y) {
      const { x: across, y: down } = this.form().elements;
      across.value = Math.round(Math.min(400, Math.max(-400, x)));
      down.value = Math.round(Math.min(200, Math.max(-200, y)));
      this.draw();
      gestures.stream(this.form());
    },

    draw() {
      const { width, height, broad, tall, across, down } = this.sizes();
      const { x, y } = this.form().elements;
      const held = (place, room) => Math.min(Math.max(0, room), Math.max(0, place));
      const mark = this.$refs.mark;
      mark.setAttribute("x", held(across * (width - broad) + Number(x.value), width - broad));
      mark.setAttribute("y", held(down * (height - tall) + Number(y.value), height - tall));
    },
  };
}
