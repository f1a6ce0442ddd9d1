// When something happens, typed in its owner's manner: what it means is read back while it is typed.
import { land } from "./focus.js";
import { letGo } from "./held.js";

const REST = 250; // ms without a key after which it is read

export function when() {
  let resting = 0;
  let asked = 0;
  return {
    init() {
      const form = this.$root.querySelector("[data-when]");
      form.addEventListener("submit", (event) => {
        event.preventDefault();
        this.read(form);
      });
      form.addEventListener("input", () => {
        clearTimeout(resting);
        this.readings().inert = true; // they are of what stood there before
        resting = setTimeout(() => this.read(form), REST);
      });
      this.$root.addEventListener("submit", ({ target }) => {
        if (target.elements.occasion) setTimeout(() => this.clear(form)); // once it is on its way
      });
    },

    readings() {
      return this.$root.querySelector("[data-readings]");
    },

    async read(form) {
      clearTimeout(resting);
      asked += 1;
      const mine = asked;
      const fields = new URLSearchParams(new FormData(form));
      const answer = await fetch(`${this.$root.dataset.address}?${fields}`).catch(() => null);
      const html = answer?.ok && !answer.redirected ? await answer.text() : null;
      if (mine !== asked || !this.$root.isConnected) return;
      const place = this.readings();
      place.inert = false;
      if (html === null) place.textContent = this.$root.dataset.unread;
      else place.innerHTML = html;
    },

    clear(form) {
      asked += 1;
      form.elements.phrase.value = "";
      letGo(form.elements.phrase);
      const readings = this.readings();
      readings.inert = false;
      if (readings.contains(document.activeElement)) land(this.$root.querySelector("[data-says]"));
      readings.replaceChildren();
    },
  };
}
