// Kinds of section found by words: those that have every word in their name, purpose or other names stay.
export function kinds() {
  return {
    init() {
      const { words } = this.$refs;
      words.addEventListener("input", () => this.narrow(words.value));
      words.addEventListener("keydown", (event) => {
        if (event.key === "Enter") event.preventDefault(); // it finds, and adds nothing
      });
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
      if (!chosen && shown.length) this.choose(shown[0].querySelector("input"));
      this.$refs.none.hidden = Boolean(this.$root.querySelector(".kind-group:not([hidden])"));
    },

    // What is added is what is seen; it is held as if it had been pressed.
    choose(radio) {
      radio.checked = true;
      radio.dispatchEvent(new Event("input", { bubbles: true }));
    },
  };
}
