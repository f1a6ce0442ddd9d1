// The box of the footer: its height and the padding within it, drawn to scale, moved by pointer and arrow keys.
import { byHand } from "./by_hand.js";
import { onDeskShown } from "./desk_shown.js";
import { sentence } from "./sentence.js";

const FIELDS = { height: "footer.height", padding: "footer.padding" };
const USUAL = { height: 100, padding: 20 }; // px, where nothing is set: common practice, no source
const LEAST_SHOWN = 200; // px of a page that the drawing has room for

// How many px of the page the drawing is high.
export function span({ height, padding }) {
  return Math.max(LEAST_SHOWN, Math.max(height, 2 * padding) * 1.25);
}

// What a measure becomes where its handle is put, `down` being a share of the drawing.
export function measured(name, box, down) {
  const px = down * span(box);
  return name === "height" ? px : Math.min(px, Math.max(box.height, 2 * box.padding) / 2);
}

// How far down the handle of a measure stands, in px of the page.
function stands(name, { height, padding }) {
  return name === "height" ? Math.max(height, 2 * padding) : padding;
}

export function footerBox(gestures) {
  const field = (name) => document.getElementById(FIELDS[name]);
  const twin = (name) => document.querySelector(`[data-twin="${FIELDS[name]}"]`);
  let active = "height";
  let frozen = null; // the box that a drag began with
  let grasped = 0; // from a handle to where it was taken hold of
  return {
    init() {
      this.redraw = () => this.draw();
      onDeskShown(this.$root, this.redraw);
      document.getElementById("desk").addEventListener("input", this.redraw);
      this.build();
    },

    destroy() {
      document.getElementById("desk").removeEventListener("input", this.redraw);
    },

    box() {
      const value = (name) => (field(name)?.value ? Number(field(name).value) : USUAL[name]);
      return { height: value("height") || 0, padding: value("padding") || 0 };
    },

    build() {
      const surface = document.createElement("div");
      surface.className = "footer-surface";
      const shape = document.createElement("span");
      shape.className = "footer-shape";
      const inner = document.createElement("span");
      inner.className = "footer-inner";
      surface.append(shape, inner);
      for (const name of Object.keys(FIELDS)) {
        const handle = document.createElement("button");
        handle.type = "button";
        handle.className = "footer-handle";
        handle.dataset.measure = name;
        handle.setAttribute("role", "slider");
        handle.setAttribute("aria-orientation", "vertical");
        surface.append(handle);
      }
      this.$root.append(surface);
      surface.addEventListener(
        "pointerdown",
        (event) => {
          active = event.target.dataset.measure || "";
          frozen = this.box();
          if (!active) event.stopImmediatePropagation();
        },
        true,
      );
      surface.addEventListener("lostpointercapture", () => {
        frozen = null;
        this.draw();
      });
      byHand({
        surface,
        keys: surface,
        gestures,
        form: () => field(active).form,
        point: (_across, down, { type }) => {
          if (type === "pointerdown") grasped = down - stands(active, frozen) / span(frozen);
          this.set(measured(active, frozen, down - grasped));
        },
        step: (across, down, coarse, { target }) => {
          active = target.dataset.measure;
          this.set(this.box()[active] + (across || down) * (coarse ? 10 : 1)); // a handle goes where the arrow points
        },
      });
      this.draw();
    },

    set(value) {
      const { min, max } = twin(active);
      const held = Math.round(Math.min(Number(max), Math.max(Number(min), value)));
      field(active).value = held;
      twin(active).value = held;
      this.draw();
      gestures.stream(field(active).form);
    },

    draw() {
      const surface = this.$root.firstElementChild;
      const box = this.box();
      const whole = frozen ? span(frozen) : span(box);
      const share = (px) => `${Math.min(100, (100 * px) / whole)}%`;
      const high = Math.max(box.height, 2 * box.padding);
      surface.querySelector(".footer-shape").style.height = share(high);
      const inner = surface.querySelector(".footer-inner");
      inner.style.top = share(box.padding);
      inner.style.height = share(Math.max(0, high - 2 * box.padding));
      for (const handle of surface.querySelectorAll("[data-measure]")) {
        const name = handle.dataset.measure;
        handle.style.top = share(stands(name, box));
        handle.dataset.px = `${box[name]} px`;
        handle.setAttribute("aria-label", sentence(name === "height" ? "footer_height" : "footer_padding"));
        handle.setAttribute("aria-valuemin", twin(name).min);
        handle.setAttribute("aria-valuemax", twin(name).max);
        handle.setAttribute("aria-valuenow", box[name]);
      }
    },
  };
}
