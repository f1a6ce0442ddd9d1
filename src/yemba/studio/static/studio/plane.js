// The picking plane: a pointer or arrow keys choose lightness and chroma, a strip the hue.
// The server says what every colour is; here only positions are turned into oklch() text.
import { ask } from "./ask.js";
import { byHand } from "./by_hand.js";

export function plane(gestures) {
  return {
    init() {
      const keep = byHand({
        surface: this.$refs.plane,
        keys: this.$refs.plane,
        gestures,
        form: () => document.getElementById(this.root().dataset.form),
        point: (across, down) => this.set({ lightness: across, chroma: this.now().most * (1 - down) }),
        step: (across, down, coarse) => {
          const { lightness, chroma, most } = this.now();
          const by = coarse ? 0.05 : 0.01;
          this.set({
            lightness: Math.min(1, Math.max(0, lightness + across * by)),
            chroma: Math.min(most, Math.max(0, chroma - (down * by) / 3)),
          });
        },
      });
      this.$refs.hue.addEventListener("input", () => this.turn());
      this.$refs.hue.addEventListener("change", keep);
      this.$refs.alpha?.addEventListener("input", () => this.set({ alpha: this.$refs.alpha.value }));
      this.$refs.alpha?.addEventListener("change", keep);
    },

    root() {
      return this.$el.closest(".plane");
    },

    now() {
      const numbers = Object.entries(this.root().dataset).map(([name, value]) => [name, Number(value)]);
      return Object.fromEntries(numbers.filter(([, value]) => !Number.isNaN(value)));
    },

    set(values) {
      const root = this.root();
      Object.assign(root.dataset, values);
      const { lightness, chroma, hue, most, alpha } = this.now();
      const box = this.$refs.plane.viewBox.baseVal;
      for (const mark of root.querySelectorAll("circle")) {
        mark.setAttribute("cx", lightness * box.width);
        mark.setAttribute("cy", box.height * (1 - chroma / most));
      }
      const form = document.getElementById(root.dataset.form);
      const clear = root.querySelector("[x-ref=alpha]") && alpha < 100 ? ` / ${alpha}%` : "";
      form.elements[root.dataset.field].value = `oklch(${lightness.toFixed(4)} ${chroma.toFixed(4)} ${hue}${clear})`;
      gestures.stream(form);
    },

    async turn() {
      const hue = this.$refs.hue.value;
      this.set({ hue });
      const shown = await ask(`${gestures.at("plane")}?hue=${hue}&ground=${this.root().dataset.ground}`);
      if (!shown.image || this.$refs.hue.value !== hue) return;
      const svg = this.$refs.plane;
      svg.querySelector("image").setAttribute("href", shown.image);
      for (const line of svg.querySelectorAll("[data-line]")) line.setAttribute("d", shown[line.dataset.line]);
    },
  };
}
