// Kinds of section found by words: those that have every word in their name, purpose or other names stay. The layouts of
// the one that is chosen are drawn as they would look on this site.
import { onDeskShown } from "./desk_shown.js";
import { isHeld } from "./held.js";
import { config } from "./state.js";

export function kinds() {
  return {
    init() {
      const { words } = this.$refs;
      words.addEventListener("input", () => this.narrow(words.value));
      words.addEventListener("keydown", (event) => {
        if (event.key === "Enter") event.preventDefault(); // it finds, and adds nothing
      });
      this.$root.addEventListener("input", ({ target }) => {
        if (target.name === "kind") this.take(target);
      });
      this.$root.closest("details").addEventListener("toggle", () => this.takeChosen());
      this.takeChosen();
      onDeskShown(this.$root, () => this.takeChosen());
    },

    narrow(typed) {
      const wanted = typed.toLowerCase().split(/\s+/).filter(Boolean);
      for (const group of this.$root.querySelectorAll(".kind-group")) {
        for (const choice of group.querySelectorAll("[data-words]"))
          choice.hidden = !wanted.every((word) => choice.dataset.words.includes(word));
        group.hidden = !group.querySelector("[data-words]:not([hidden])");
      }
      const shown = [...this.$root.querySelectorAll("[data-words]")].filter((choice) => choice.checkVisibility());
      const chosen = shown.find((choice) => choice.querySelector("input").checked);
      const named = shown.find((choice) => choice.dataset.words.startsWith(wanted[0])); // rather than one that mentions it
      if (!chosen && shown.length) this.choose((named ?? shown[0]).querySelector("input"));
      this.$refs.none.hidden = Boolean(this.$root.querySelector(".kind-group:not([hidden])"));
    },

    // Nothing is asked for while the fold is shut.
    takeChosen() {
      const chosen = this.$root.querySelector("[name=kind]:checked");
      if (chosen?.closest("details")?.open) this.take(chosen);
    },

    take(chosen) {
      this.draw(chosen);
      this.place(chosen);
    },

    draw({ value: kind, dataset }) {
      const place = document.getElementById("kind-layouts");
      const { ground } = place.dataset;
      if (place.dataset.drawn === `${kind} ${ground}`) return;
      place.dataset.drawn = `${kind} ${ground}`;
      const choices = dataset.layouts
        .split("|")
        .map((one, number) => layoutChoice(kind, ground, ...one.split("="), number === 0));
      place.replaceChildren(place.querySelector("legend"), ...choices);
    },

    // What a page begins with goes first, until its owner names a place, or named one by where "add" was pressed.
    place({ form, dataset }) {
      const { after } = form.elements;
      if (after.dataset.named !== undefined || isHeld(after)) return;
      const usual = [...after.options].find((option) => option.defaultSelected) ?? after.options[0];
      after.value = dataset.first === undefined ? usual.value : "";
    },

    // What is added is what is seen; it is held as if it had been pressed.
    choose(radio) {
      radio.checked = true;
      radio.dispatchEvent(new Event("input", { bubbles: true }));
    },
  };
}

// The first is the template's own, for which nothing is stored.
function layoutChoice(kind, ground, layout, name, isUsual) {
  const label = document.createElement("label");
  const radio = document.createElement("input");
  const little = document.createElement("div");
  const frame = document.createElement("iframe");
  const words = document.createElement("span");
  label.className = "layout-choice";
  Object.assign(radio, { type: "radio", name: "layout", value: isUsual ? "" : layout, checked: isUsual });
  little.className = "little-frame";
  Object.assign(little.dataset, { width: "1280", height: "720" });
  Object.assign(frame, { className: "little", loading: "lazy", tabIndex: -1, title: name });
  frame.src = `${config.base}@layout/${kind}/${layout}/${ground && `?ground=${ground}`}`;
  little.append(frame);
  words.textContent = name;
  label.append(radio, little, words);
  return label;
}
