// The search result of a page while its title and its description are written.
import { sentence } from "./sentence.js";

export function searchResult(bench) {
  bench.addEventListener("input", ({ target }) => {
    const shown = bench.querySelector(`[data-result] [data-of="${target.id}"]`);
    if (!shown) return;
    const most = (id) => bench.querySelector(`[data-of="${id}"]`).dataset.most;
    const words = target.value.trim() || shown.dataset.usual;
    shown.textContent = cut(words, Number(shown.dataset.most));
    const title =
      document.getElementById("page-title").value.trim() || bench.querySelector("[data-of=page-title]").dataset.usual;
    const description = document.getElementById("page-description").value.trim();
    const lengths = { title: title.length, description: description.length };
    Object.assign(lengths, { most_title: most("page-title"), most_description: most("page-description") });
    bench.querySelector("[data-lengths]").textContent = sentence("result_lengths", lengths);
  });
}

const cut = (words, most) => (words.length > most ? `${words.slice(0, most - 1)}…` : words);
