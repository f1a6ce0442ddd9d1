// The page, its sidebar and the gap between them, moved on a ruler over the wide window. What the page becomes is worked
// out here as core does it (core/layout/frame.py); the numbers go the way of the fields on the desk.
import { byHand } from "./by_hand.js";
import { onDeskShown } from "./desk_shown.js";
import { sentence } from "./sentence.js";
import { windows } from "./windows.js";

const NAMES = { width: "ruler_width", sidebar: "ruler_sidebar", gap: "ruler_gap" };
const FIELDS = { width: "frame.width", sidebar: "sidebar.width", gap: "sidebar.gap" };

// Where everything stands in a window: each part as [left, width] in px. `beside` says whether the sidebar has room.
export function boxes(frame, window) {
  const { form, width, margin, side, sidebar, gap, column, columnFrom, least } = frame;
  const sheet = width + 2 * margin;
  const page = pageOf(frame, window);
  const header = window >= columnFrom ? column : 0;
  const content = [page[0] + header, page[1] - header];
  const needed = least + gap + sidebar;
  const from = columnFrom >= needed + column ? needed : needed + column;
  const room = form === "fixed" ? sheet - column : sheet;
  const wide = Math.min(content[1], sheet);
  const row = [content[0] + (content[1] - wide) / 2, wide];
  const beside = side !== "none" && needed <= room && window >= from;
  if (!beside) return { beside, page, row, main: content };
  const main = wide - gap - sidebar;
  return side === "start"
    ? { beside, page, row, main: [row[0] + wide - main, main], sidebar: [row[0], sidebar] }
    : { beside, page, row, main: [row[0], main], sidebar: [row[0] + wide - sidebar, sidebar] };
}

function pageOf({ form, place, width, margin }, window) {
  if (form !== "fixed") return [0, window];
  const sheet = Math.min(window, width + 2 * margin);
  return [{ start: 0, middle: (window - sheet) / 2, end: window - sheet }[place], sheet];
}

// What a measure becomes where its handle is put at `x` of the window.
export function measured(name, frame, window, x) {
  const { row, sidebar } = boxes(frame, window);
  if (name === "width") return sheetTo(x, frame, window, row) - 2 * frame.margin;
  const atStart = frame.side === "start";
  if (name === "sidebar") return atStart ? x - row[0] : row[0] + row[1] - x;
  return atStart ? x - (sidebar[0] + sidebar[1]) : sidebar[0] - x;
}

// How wide the page is with its margins where its edge stands at `x`.
function sheetTo(x, { form, place }, window, row) {
  if (form !== "fixed") return 2 * Math.abs(x - (row[0] + row[1] / 2));
  return { start: x, middle: 2 * Math.abs(x - window / 2), end: window - x }[place];
}

// Where the handle of each measure stands.
export function handles(frame, window) {
  const { beside, page, row, main, sidebar } = boxes(frame, window);
  const atStart = frame.side === "start";
  const outer = frame.form === "fixed" && frame.place === "end" ? page[0] : row[0] + row[1];
  if (!beside) return { width: outer };
  return {
    width: outer,
    sidebar: atStart ? sidebar[0] + sidebar[1] : sidebar[0],
    gap: atStart ? main[0] : main[0] + main[1],
  };
}

export function ruler(gestures) {
  const place = document.getElementById("frame-ruler");
  const field = (name) => document.getElementById(FIELDS[name]);
  let active = "width";
  let grasped = 0; // px from a handle to where it was taken hold of
  return {
    init() {
      place.hidden = false;
      place.replaceChildren(this.surface());
      windows.resize();
      this.redraw = () => this.draw();
      onDeskShown(this.$root, this.redraw);
      addEventListener("windows-resized", this.redraw);
      document.getElementById("desk").addEventListener("input", this.redraw);
      this.draw();
    },

    destroy() {
      removeEventListener("windows-resized", this.redraw);
      document.getElementById("desk").removeEventListener("input", this.redraw);
      place.hidden = true;
      windows.resize();
    },

    // What is set, and what stands in the fields while it is being changed.
    frame() {
      const sizes = { ...this.$root.dataset };
      for (const name of ["margin", "least", "column", "columnFrom", ...Object.keys(FIELDS)])
        sizes[name] = Number(sizes[name]);
      for (const name of Object.keys(FIELDS)) if (Number(field(name)?.value)) sizes[name] = Number(field(name).value);
      return sizes;
    },

    surface() {
      const surface = document.createElement("div");
      surface.className = "ruler-surface";
      for (const name of ["main", "sidebar"]) {
        const box = document.createElement("span");
        box.className = `ruler-box ruler-${name}`;
        surface.append(box);
      }
      for (const name of Object.keys(FIELDS)) {
        const handle = document.createElement("button");
        handle.type = "button";
        handle.className = "ruler-handle";
        handle.id = `ruler-handle-${name}`; // by which focus finds it again when the desk is put in anew
        handle.dataset.measure = name;
        handle.setAttribute("role", "slider");
        surface.append(handle);
      }
      byHand({
        surface,
        keys: surface,
        gestures,
        form: () => field(active).form,
        point: (across, _down, event) => {
          const window = windows.widths.wide;
          const at = across * window;
          if (event.type === "pointerdown") {
            active = event.target.dataset.measure;
            grasped = at - handles(this.frame(), window)[active];
          }
          this.set(measured(active, this.frame(), window, at - grasped));
        },
        step: (across, _down, coarse, { target }) => {
          active = target.dataset.measure;
          const { step } = this.limits(active);
          const way = this.grows(active) * (coarse ? 10 : 1);
          this.set(Number(field(active).value) + across * way * step);
        },
      });
      surface.addEventListener(
        "pointerdown",
        (event) => {
          if (!event.target.dataset.measure) event.stopImmediatePropagation();
        },
        true,
      );
      return surface;
    },

    // 1 where a measure grows as its handle goes right.
    grows(name) {
      const window = windows.widths.wide;
      const at = handles(this.frame(), window)[name] ?? 0;
      return measured(name, this.frame(), window, at + 1) > measured(name, this.frame(), window, at) ? 1 : -1;
    },

    limits(name) {
      const { min, max, step } = document.querySelector(`[data-twin="${FIELDS[name]}"]`);
      return { min: Number(min), max: Number(max), step: Number(step) };
    },

    set(value) {
      const { min, max, step } = this.limits(active);
      const held = Math.min(max, Math.max(min, Math.round(value / step) * step));
      field(active).value = held;
      document.querySelector(`[data-twin="${FIELDS[active]}"]`).value = held;
      this.draw();
      gestures.stream(field(active).form);
    },

    draw() {
      const window = windows.widths.wide;
      const frame = this.frame();
      const { left, width } = windows.drawn("wide");
      Object.assign(place.style, { left: `${left}px`, width: `${width}px` });
      const share = (px) => `${(100 * px) / window}%`;
      const stands = boxes(frame, window);
      for (const name of ["main", "sidebar"]) {
        const box = place.querySelector(`.ruler-${name}`);
        box.hidden = !stands[name];
        if (!stands[name]) continue;
        box.style.left = share(stands[name][0]);
        box.style.width = share(stands[name][1]);
        box.textContent = Math.round(stands[name][1]);
      }
      const at = handles(frame, window);
      for (const name of Object.keys(FIELDS)) {
        const handle = place.querySelector(`[data-measure="${name}"]`);
        handle.hidden = at[name] === undefined || !field(name);
        if (handle.hidden) continue;
        const { min, max } = this.limits(name);
        handle.style.left = share(at[name]);
        handle.setAttribute("aria-label", sentence(NAMES[name]));
        handle.setAttribute("aria-valuemin", min);
        handle.setAttribute("aria-valuemax", max);
        handle.setAttribute("aria-valuenow", frame[name]);
      }
    },
  };
}
