// What is shown of a picture: its sides moved by a pointer or by arrow keys, in % of the upright picture.
import { byHand } from "./by_hand.js";
import { onDeskShown } from "./desk_shown.js";

const TALLEST = 360; // px that the picture is high on the desk
const LEAST = 5; // % that a crop leaves at least, both ways
const SIDES = ["left", "top", "right", "bottom"];
const held = (share, least, most) => Math.min(most, Math.max(least, share));

// Moved whole, within the picture.
export function moved(box, across, down) {
  const x = held(across, -box.left, 100 - box.right);
  const y = held(down, -box.top, 100 - box.bottom);
  return { left: box.left + x, right: box.right + x, top: box.top + y, bottom: box.bottom + y };
}

// A corner, "left top", put at a place; the opposite one stays. `ratio` is of % across to % down, 0 for any.
export function pulled(box, corner, x, y, ratio) {
  const [side, end] = corner.split(" ");
  const to = { ...box };
  to[side] = side === "left" ? held(x, 0, box.right - LEAST) : held(x, box.left + LEAST, 100);
  to[end] = end === "top" ? held(y, 0, box.bottom - LEAST) : held(y, box.top + LEAST, 100);
  if (!ratio) return to;
  const room = end === "top" ? box.bottom : 100 - box.top;
  const wide = held(to.right - to.left, LEAST * Math.max(1, ratio), room * ratio);
  const high = wide / ratio;
  if (side === "left") to.left = box.right - wide;
  else to.right = box.left + wide;
  if (end === "top") to.top = box.bottom - high;
  else to.bottom = box.top + high;
  return to;
}

export function crop(gestures) {
  let corner = "";
  let grasped = { x: 0, y: 0 };
  let begun = null; // the box as the gesture found it
  return {
    init() {
      byHand({
        surface: this.$refs.box.parentElement,
        keys: this.$refs.box,
        gestures,
        form: () => this.form(),
        point: (across, down, event) => this.point(100 * across, 100 * down, event),
        step: (across, down, coarse, { target }) => {
          const by = coarse ? 5 : 0.5;
          const box = this.box();
          const held = target.dataset.corner;
          if (!held) return this.set(moved(box, across * by, down * by));
          const [side, end] = held.split(" ");
          this.set(pulled(box, held, box[side] + across * by, box[end] + down * by, this.ratio()));
        },
      });
      this.form().addEventListener("input", () => this.draw());
      this.draw();
      onDeskShown(this.$root, () => this.draw());
    },

    form() {
      return this.$root.querySelector("form");
    },

    box() {
      return Object.fromEntries(SIDES.map((side) => [side, Number(this.form().elements[side].value)]));
    },

    // Of % across to % down, of the shape that is chosen.
    ratio() {
      const [wide, high] = this.$refs.shape.value.split(":").map(Number);
      return high ? ((wide / high) * this.$root.dataset.high) / this.$root.dataset.wide : 0;
    },

    point(x, y, { type, target }) {
      if (type === "pointerdown") {
        corner = target.dataset.corner || "";
        grasped = { x, y };
        begun = this.box();
      }
      if (corner) this.set(pulled(begun, corner, x, y, this.ratio()));
      else this.set(moved(begun, x - grasped.x, y - grasped.y));
    },

    // The picture's room is there before the picture is: what stands below keeps its place under the hand.
    reserve() {
      const wide = Number(this.$root.dataset.wide);
      const high = Number(this.$root.dataset.high);
      const { style } = this.$refs.box.parentElement;
      style.aspectRatio = `${wide} / ${high}`;
      style.width = `min(100%, ${Math.min(wide, (TALLEST * wide) / high)}px)`;
    },

    draw() {
      this.reserve();
      const box = this.box();
      const { style } = this.$refs.box;
      style.left = `${box.left}%`;
      style.top = `${box.top}%`;
      style.width = `${box.right - box.left}%`;
      style.height = `${box.bottom - box.top}%`;
    },

    set(box) {
      for (const side of SIDES) this.form().elements[side].value = Number(box[side].toFixed(2));
      this.draw(); // kept once the hand rests: every crop is a picture to be made
    },
  };
}
