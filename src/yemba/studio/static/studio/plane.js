// The picking plane: a pointer or arrow keys choose lightness and chroma, a strip the hue.
// The server says what every colour is; here only positions are turned into oklch() text.
import { ask } from "./ask.js";

export function plane(gestures) {
  return {
    init() {
      const svg = this.$refs.plane;
      svg.addEventListener("pointerdown", (event) => {
        svg.setPointerCapture(event.pointerId);
        gestures.begin();
        this.point(event);
      });
      svg.addEventListener("pointermove", (event) => svg.hasPointerCapture(event.pointerId) && this.point(event));
      svg.addEventListener("pointerup", () => this.keep());
      svg.addEventListener("keydown", (event) => this.key(event));
      svg.addEventListener("keyup", () => this.rest());
      this.$refs.hue.addEventListener("input", () => this.turn());
      this.$refs.hue.addEventListener("change", () => this.keep());
    },

    now() {
      const { lightness, chroma, hue, most } = this.$el.closest(".plane").dataset;
      return { lightness: Number(lightness), chroma: Number(chroma), hue: Number(hue), most: Number(most) };
    },

    set(values) {
      const root = this.$el.closest(".plane");
      Object.assign(root.dataset, values);
      const { lightness, chroma, hue, most } = this.now();
      const box = this.$refs.plane.viewBox.baseVal;
      for (const mark of root.querySelectorAll("circle")) {
        mark.setAttribute("cx", lightness * box.width);
        mark.setAttribute("cy", box.height * (1 - chroma / most));
      }
      const form = document.getElementById("hex");
      form.elements.hex.value = `oklch(${lightness.toFixed(4)} ${chroma.toFixed(4)} ${hue})`;
      gestures.stream(form);
    },

    point(event) {
      const box = this.$refs.plane.getBoundingClientRect();
      const held = (value) => Math.min(1, Math.max(0, value));
      const { most } = this.now();
      this.set({
        lightness: held((event.clientX - box.left) / box.width),
        chroma: most * held(1 - (event.clientY - box.top) / box.height),
      });
    },

    key(event) {
      const step = event.shiftKey ? 0.05 : 0.01;
      const moves = { ArrowLeft: [-step, 0], ArrowRight: [step, 0], ArrowUp: [0, step / 3], ArrowDown: [0, -step / 3] };
      const move = moves[event.key];
      if (!move) return;
      event.preventDefault();
      clearTimeout(this.late);
      if (!this.late) gestures.begin();
      this.late ||= true;
      const { lightness, chroma, most } = this.now();
      this.set({
        lightness: Math.min(1, Math.max(0, lightness + move[0])),
        chroma: Math.min(most, Math.max(0, chroma + move[1])),
      });
    },

    async turn() {
      const hue = this.$refs.hue.value;
      this.set({ hue });
      const shown = await ask(`${gestures.at("plane")}?hue=${hue}&ground=${this.$el.closest(".plane").dataset.ground}`);
      if (!shown.image || this.$refs.hue.value !== hue) return;
      const svg = this.$refs.plane;
      svg.querySelector("image").setAttribute("href", shown.image);
      const [underText, text, underEdge, edge] = svg.querySelectorAll("path");
      for (const line of [underText, text]) line.setAttribute("d", shown.text);
      for (const line of [underEdge, edge]) line.setAttribute("d", shown.edge);
    },

    // Keys pressed one after the other are one gesture; it ends when they rest.
    rest() {
      if (!this.late) return;
      clearTimeout(this.late);
      this.late = setTimeout(() => this.keep(), 350);
    },

    async keep() {
      this.late = false;
      gestures.rest();
      await gestures.send(document.getElementById("hex"));
      gestures.end();
    },
  };
}
