// The pictures of a gallery, large: one picked opens them all, arrow keys and swipes go on, Escape shuts. Without this
// script a picture is a link to its largest file.
for (const gallery of document.querySelectorAll("[data-enlarges]")) {
  const links = [...gallery.querySelectorAll(".enlarges")];
  let dialog = null;

  const button = (name, words, sign, act) => {
    const made = document.createElement("button");
    made.type = "button";
    made.className = name;
    made.setAttribute("aria-label", words);
    made.textContent = sign;
    made.addEventListener("click", act);
    return made;
  };

  function slide(link) {
    const item = document.createElement("li");
    const picture = link.querySelector("picture").cloneNode(true);
    for (const source of picture.querySelectorAll("source")) source.sizes = "100vw";
    const caption = document.createElement("p");
    caption.textContent = link.closest("figure").querySelector("figcaption")?.textContent ?? "";
    item.append(picture, caption);
    return item;
  }

  function make() {
    const { close, earlier, later } = gallery.dataset;
    const strip = document.createElement("ul");
    const count = document.createElement("p");
    dialog = document.createElement("dialog");
    dialog.className = "enlarged";
    strip.className = "strip";
    strip.tabIndex = 0;
    strip.append(...links.map(slide));
    count.className = "count";
    count.setAttribute("role", "status");
    const width = () => strip.clientWidth;
    const fromRight = getComputedStyle(gallery).direction === "rtl";
    const now = () => Math.round(Math.abs(strip.scrollLeft) / width());
    const go = (at, behavior) => strip.scrollTo({ left: (fromRight ? -1 : 1) * at * width(), behavior });
    const step = (by) => go(Math.min(links.length - 1, Math.max(0, now() + by)));
    const tell = () => {
      count.textContent = `${now() + 1} / ${links.length}`;
      dialog.querySelector(".earlier").hidden = now() === 0;
      dialog.querySelector(".later").hidden = now() === links.length - 1;
    };
    const ways = {
      ArrowLeft: fromRight ? 1 : -1,
      ArrowRight: fromRight ? -1 : 1,
      Home: -links.length,
      End: links.length,
    };
    dialog.append(
      strip,
      count,
      button("close", close, "\u00d7", () => dialog.close()),
      button("earlier", earlier, fromRight ? "\u2192" : "\u2190", () => step(-1)),
      button("later", later, fromRight ? "\u2190" : "\u2192", () => step(1)),
    );
    dialog.addEventListener("keydown", (event) => {
      if (!(event.key in ways)) return;
      event.preventDefault();
      step(ways[event.key]);
    });
    strip.addEventListener("scroll", tell);
    document.body.append(dialog);
    dialog.openAt = (at) => {
      dialog.showModal();
      strip.focus();
      go(at, "instant");
      tell();
    };
  }

  gallery.addEventListener("click", (event) => {
    const link = event.target.closest(".enlarges");
    if (!link || event.ctrlKey || event.metaKey || event.shiftKey) return;
    event.preventDefault();
    if (!dialog) make();
    dialog.openAt(links.indexOf(link));
  });
}
