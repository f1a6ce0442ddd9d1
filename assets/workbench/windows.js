// The twin windows: their sizes, and what is said between them and the workbench.
import { fit } from "./scale.js";
import { sentence } from "./sentence.js";
import { config, state } from "./state.js";

class Windows {
  constructor() {
    this.frames = ["wide", "phone"].map((name) => document.getElementById(name));
    this.addresses = new Map(this.frames.map((frame) => [frame, frame.src]));
    this.opened = Date.now();
    this.widths = { wide: config.limits.wide, phone: config.limits.phone };
    this.loading = new Set(["wide", "phone"]);
    this.trueSize = false; // whether windows are drawn at their true size and scrolled
    this.missed = false; // whether a patch came while a window was still loading
    new ResizeObserver(() => this.resize()).observe(document.querySelector(".panes"));
    this.resize();
  }

  // `handle` hears what a window says, and the name of the window.
  listen(handle) {
    addEventListener("message", (event) => {
      const from = this.frames.find((frame) => frame.contentWindow === event.source);
      if (from && event.origin === config.origin) handle(event.data, from.id);
    });
    // One that was ready before anybody listened says so again; one that is still to come has no address yet.
    for (const frame of this.frames) frame.contentWindow.postMessage({ type: "hello" }, "*");
  }

  // One that is still loading is told of all when it is ready.
  tell(frame, message) {
    if (!this.loading.has(frame.id)) frame.contentWindow.postMessage(message, config.origin);
  }

  resize() {
    for (const frame of this.frames) {
      const pane = frame.parentElement;
      const width = this.widths[frame.id];
      if (!pane.clientWidth) continue;
      const scale = this.scale(frame);
      pane.classList.toggle("is-true-size", width * scale > pane.clientWidth + 1);
      const top = pane.querySelector(".frame-ruler:not([hidden])")?.offsetHeight || 0;
      fit(frame, width, (pane.clientHeight - top) / scale, scale);
      frame.style.top = `${top}px`;
      const room = Math.max(pane.clientWidth, width * scale);
      frame.style.left = `${(room - width * scale) / 2}px`;
      this.tell(frame, { type: "scale", scale });
      pane.querySelector(".pane-edge").style.left = `${(room + width * scale) / 2}px`;
    }
    this.sayScale();
    dispatchEvent(new Event("windows-resized"));
  }

  // Where a window is drawn in its pane, in px of the screen.
  drawn(name) {
    const frame = document.getElementById(name);
    return { left: Number.parseFloat(frame.style.left) || 0, width: this.widths[name] * this.scale(frame) };
  }

  // How large a window is drawn: as fits its pane, or at its true size.
  scale(frame) {
    return this.trueSize ? 1 : Math.min(1, frame.parentElement.clientWidth / this.widths[frame.id]);
  }

  sayScale() {
    const button = document.getElementById("wide-scale");
    const [wide] = this.frames;
    if (!wide.parentElement.clientWidth) return;
    const share = Math.round(100 * this.scale(wide));
    button.textContent = sentence("scale", { percent: share });
    button.hidden = !this.trueSize && share === 100;
  }

  setTrueSize(wanted) {
    this.trueSize = wanted;
    document.getElementById("wide-scale").setAttribute("aria-pressed", wanted);
    this.resize();
  }

  setWidth(name, width) {
    this.widths[name] = Math.min(
      config.limits.widest,
      Math.max(config.limits.narrowest, Math.round(width) || this.widths[name]),
    );
    this.resize();
    return this.widths[name];
  }

  // How many px a window grows for one that its edge is drawn: it stands in the middle, and may be drawn smaller.
  pace(name) {
    return 2 / this.scale(document.getElementById(name));
  }

  say(message, except) {
    if (message.type === "patch" && this.loading.size) this.missed = true;
    for (const frame of this.frames) {
      if (frame.id !== except) this.tell(frame, message);
    }
  }

  // The bar for words that are written in a window, with what they can lead to.
  tools(name, markup) {
    this.tell(document.getElementById(name), { type: "tools", markup, links: state.links });
  }

  // Words of a field are written where they stand, in the wide window, which takes the focus.
  write(what) {
    const [wide] = this.frames;
    wide.contentWindow.focus();
    this.tell(wide, { type: "write", ...what });
  }

  // A window says that it is there: whether it may show an older state than the one that stands.
  ready(name) {
    this.loading.delete(name);
    const frame = document.getElementById(name);
    this.tell(frame, { type: "scale", scale: this.scale(frame) });
    const missed = this.missed && !this.loading.size;
    if (missed) this.missed = false;
    return missed;
  }

  // The signed address ends; windows that have stood for most of its time are opened anew.
  get old() {
    return Date.now() - this.opened > 750 * config.seconds;
  }

  show(path, proof) {
    const [wide, phone] = this.frames;
    this.opened = Date.now();
    const first = `${config.base}${proof ? "@live/" : ""}${path}`;
    const second = `${config.base}${path}`;
    for (const [frame, address] of [
      [wide, first],
      [phone, second],
    ]) {
      if (this.addresses.get(frame) === address) continue;
      this.addresses.set(frame, address);
      this.loading.add(frame.id);
      frame.contentWindow.location.replace(address); // "back" belongs to the workbench, not to a window
    }
  }
}

export const windows = new Windows();
