// What runs out of its room on a page, seen or clipped away: each with its place, and how far it goes.
function overflowing() {
  const found = [];
  const add = (element, over, what) =>
    found.push({
      place: element.closest("[data-place], .section, header, footer")?.dataset.place || "",
      over: Math.ceil(over),
      what: `${what} of ${element.tagName.toLowerCase()}.${element.className} “${element.textContent.trim().slice(0, 30)}”`,
    });
  const hidden = (element) =>
    !element.checkVisibility({ visibilityProperty: true }) || element.closest(".unseen, .skip, .backdrop, svg");
  const out = (inner, outer) => Math.max(inner.right - outer.right, outer.left - inner.left);
  // What visitors move along themselves may be wider than the page; the strip it moves in may not.
  const strips = [...document.body.querySelectorAll("*")].filter((element) =>
    /auto|scroll/.test(getComputedStyle(element).overflowX),
  );
  const moves = (element) => strips.some((strip) => strip !== element && strip.contains(element));
  const page = { left: 0, right: document.documentElement.clientWidth };
  for (const element of document.body.querySelectorAll("*")) {
    if (hidden(element) || getComputedStyle(element).display === "contents") continue;
    const box = element.getBoundingClientRect();
    if (!box.width) continue;
    if (moves(element)) continue;
    if (out(box, page) > 1) add(element, out(box, page), "box");
    else if (pushes(element) && out(box, roomOf(element)) > 1)
      add(element, out(box, roomOf(element)), "box in its parent");
    for (const node of element.childNodes) {
      if (node.nodeType !== Node.TEXT_NODE || !node.textContent.trim()) continue;
      const range = document.createRange();
      range.selectNodeContents(node);
      const room = blockOf(element).getBoundingClientRect();
      const over = Math.max(...[...range.getClientRects()].map((line) => out(line, room)));
      if (over > 1.5) add(element, over, "text");
    }
  }
  return found;

  function blockOf(element) {
    let block = element;
    while (
      getComputedStyle(block).display.startsWith("inline") &&
      !/block|flex|grid/.test(getComputedStyle(block).display)
    )
      block = block.parentElement;
    return block;
  }

  // The box of the nearest that has one: a parent may have none of its own.
  function roomOf(element) {
    const parent = element.parentElement;
    return getComputedStyle(parent).display === "contents" ? roomOf(parent) : parent.getBoundingClientRect();
  }

  // Wider than its parent by its own size, not drawn out of it by margins on purpose.
  function pushes(element) {
    const { position, marginLeft, marginRight, display } = getComputedStyle(element);
    return (
      position === "static" &&
      display !== "inline" &&
      Number.parseFloat(marginLeft) >= 0 &&
      Number.parseFloat(marginRight) >= 0
    );
  }
}

// Words that a line breaks in their middle, in headings, names, buttons, menus and prices.
function brokenWords() {
  const broken = [];
  for (const element of document.querySelectorAll(
    ":is(h1, h2, h3, h4, h5, h6, .site-title, .button, .menu a, .price, .hours dd, .name)",
  )) {
    if (!element.checkVisibility({ visibilityProperty: true })) continue;
    const walker = document.createTreeWalker(element, NodeFilter.SHOW_TEXT);
    while (walker.nextNode()) {
      const node = walker.currentNode;
      for (const match of node.textContent.matchAll(/[^\s\-–—/\u00ad\u200b]+/g)) {
        const range = document.createRange();
        range.setStart(node, match.index);
        range.setEnd(node, match.index + match[0].length);
        const lines = new Set(
          [...range.getClientRects()].filter(({ width }) => width > 0.5).map(({ top }) => Math.round(top / 4)),
        );
        if (lines.size > 1) broken.push(`“${match[0]}” in ${element.tagName.toLowerCase()}.${element.className}`);
      }
    }
  }
  return broken;
}

// How high each section came out, and the highest strip of it in which nothing stands.
function heights() {
  const shows = "img, svg, input, textarea, select, button, audio, video, hr, .blank";
  return [...document.querySelectorAll("main > .section")].map((section) => {
    const whole = section.getBoundingClientRect();
    const walker = document.createTreeWalker(section, NodeFilter.SHOW_TEXT);
    const boxes = [...section.querySelectorAll(shows)]
      .filter((element) => !element.closest(".backdrop, .unseen"))
      .map((element) => element.getBoundingClientRect());
    while (walker.nextNode()) {
      if (!walker.currentNode.textContent.trim() || walker.currentNode.parentElement.closest(".unseen")) continue;
      const range = document.createRange();
      range.selectNodeContents(walker.currentNode);
      boxes.push(...range.getClientRects());
    }
    let empty = 0;
    let reached = whole.top;
    for (const box of boxes.filter(({ height }) => height).sort((one, other) => one.top - other.top)) {
      empty = Math.max(empty, box.top - reached);
      reached = Math.max(reached, box.bottom);
    }
    return [section.dataset.place || section.id, whole.height, Math.max(empty, whole.bottom - reached)];
  });
}

globalThis.measures = { overflowing, brokenWords, heights };
