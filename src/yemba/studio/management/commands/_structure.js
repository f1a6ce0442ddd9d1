// Asked in a page: the boxes of its headings, texts, pictures and buttons, as shares of the window's width and of the
// height of the section or part that they stand in. Named by that, their class and their number.
(() => {
  const wanted =
    "h1, h2, h3, .lead, .body, .words, .name, .price, .detail, .when, .place, .hours, .form, picture img, .button, .site-title, .menu, .copyright";
  const boxes = {};
  for (const holder of document.querySelectorAll(".site-header, main > .section, .site-footer")) {
    const around = holder.getBoundingClientRect();
    const kind = [...holder.classList].find((name) => name.startsWith("kind-")) ?? holder.className.split(" ")[0];
    const counts = {};
    for (const element of holder.querySelectorAll(wanted)) {
      const { left, top, width, height } = element.getBoundingClientRect();
      if (!width || !height || element.closest(".backdrop, .unseen")) continue;
      const what = element.matches("img") ? "picture" : element.className.split(" ")[0] || element.tagName;
      counts[what] = (counts[what] ?? 0) + 1;
      boxes[`${kind} ${what} ${counts[what]}`] = [
        left / innerWidth,
        width / innerWidth,
        (top - around.top) / around.height,
        height / around.height,
      ];
    }
  }
  return boxes;
})();
