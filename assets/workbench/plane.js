// The picking plane: a pointer or arrow keys choose lightness and chroma, a strip the hue.
// The server says what every colour is; here only positions are turned into oklch() text.
import { ask } from "./ask.js";
import { byHand } from "./by_hand.js";
import { identity, isHeld } from "./held.js";

export function plane(gestures) {
  return {
    init() {
      const keep = byHand({
        surface: this.$refs.plane,
        keys: this.$refs.plane,
        gestures,
        form: () => {
          if (this.code !== this.said) this.field().value = this.code;
          return this.field().form;
        },
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

    code: "", // of the colour that is pointed at
    said: "", // the same, once the server has said what it is and that stands in the field

    root() {
      return this.$el.closest(".plane");
    },

    field() {
      const { form, field } = this.root().dataset;
      return document.getElementById(form).elements[field];
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
      const clear = root.querySelector("[x-ref=alpha]") && alpha < 100 ? ` / ${alpha}%` : "";
      const code = `oklch(${lightness.toFixed(4)} ${chroma.toFixed(4)} ${hue}${clear})`;
      this.code = code;
      this.said = ""; // until it is said again: another may stand in the field
      const asked = { [root.dataset.field]: code, plane_code: code, plane_against: root.dataset.against };
      const { form } = this.field();
      const about = identity(form);
      gestures.stream(form, asked, ({ plane }) => {
        if (form.isConnected && identity(form) === about) this.describe(code, plane); // else another colour is edited
      });
    },

    // Where the hand has gone on meanwhile, what is said is of the colour it came from.
    describe(code, { hex, said }) {
      this.$refs.said.textContent = said;
      document.getElementById(this.root().dataset.swatch)?.querySelector("path").setAttribute("fill", hex);
      if (isHeld(this.field())) return; // what is typed in it stays
      this.field().value = code.includes("/") ? code : hex; // one that is not solid stands as it is asked for
      this.said = code;
    },

    async turn() {
      const hue = this.$refs.hue.value;
      this.set({ hue });
      const shown = await ask(`${gestures.at("plane")}?hue=${hue}&against=${this.root().dataset.against}`);
      if (!shown.image || this.$refs.hue.value !== hue) return;
      const svg = this.$refs.plane;
      svg.querySelector("image").setAttribute("href", shown.image);
      for (const line of svg.querySelectorAll("[data-line]")) line.setAttribute("d", shown[line.dataset.line]);
    },
  };
}
