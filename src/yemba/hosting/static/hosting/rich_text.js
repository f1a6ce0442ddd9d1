// How words with a little markup are written, on the desk and in the windows alike: the bar and its keys, what is
// pasted, links found by the name of a page. A plain script, since a draft page has no modules.
(() => {
  const HEADINGS = "h2, h3, h4, h5, h6";
  const MOST = 7; // links that are offered at once
  const SAYS = /(mso-list|font-weight|font-style|display|mso-hide)\s*:[^;]+/gi; // of a style, what words have of it
  const KEYS = {
    k: "link",
    "shift+7": "numbers",
    "shift+8": "list",
    "shift+9": "quote",
    "alt+1": "heading",
    "alt+2": "minor",
    "alt+0": "plain",
  };

  // `field` is written in by the bar in `tools`; `links` gives what can be led to, as pairs of value and name.
  function attach(field, tools, links) {
    const bar = tools.querySelector("[data-formats]");
    const panel = tools.querySelector("[data-link-to]");
    let range = null; // what was chosen in the field when it was last left

    function keepRange() {
      const selection = getSelection();
      if (selection.rangeCount && field.contains(selection.anchorNode)) range = selection.getRangeAt(0).cloneRange();
    }

    function backToField() {
      field.focus({ preventScroll: true });
      if (!range) return;
      const selection = getSelection();
      selection.removeAllRanges();
      selection.addRange(range);
    }

    const acts = {
      bold: () => document.execCommand("bold"),
      italic: () => document.execCommand("italic"),
      list: () => document.execCommand("insertUnorderedList"),
      numbers: () => document.execCommand("insertOrderedList"),
      heading: () => block(tags(field).major),
      minor: () => block(tags(field).minor),
      plain: () => block("p"),
      quote: () => (around("blockquote") ? document.execCommand("outdent") : block("blockquote")),
      link: openPanel,
    };

    function around(selector) {
      const node = getSelection().anchorNode;
      const found = (node?.nodeType === Node.ELEMENT_NODE ? node : node?.parentElement)?.closest(selector);
      return found && field.contains(found) && found !== field ? found : null;
    }

    // Headings are pressed once more to be words again.
    function block(tag) {
      document.execCommand("formatBlock", false, around(tag) && tag !== "blockquote" ? "p" : tag);
    }

    function act(name) {
      keepRange();
      backToField();
      acts[name]();
      if (name !== "link") tell();
    }

    function tell() {
      const on = {
        bold: document.queryCommandState("bold"),
        italic: document.queryCommandState("italic"),
        list: Boolean(around("ul")),
        numbers: Boolean(around("ol")),
        quote: Boolean(around("blockquote")),
        heading: Boolean(around(tags(field).major)),
        minor: Boolean(around(tags(field).minor)),
        link: Boolean(around("a")),
      };
      for (const button of bar.querySelectorAll("[data-format]"))
        button.setAttribute("aria-pressed", on[button.dataset.format] ?? false);
    }

    // --- links
    const words = panel.querySelector("input");
    const list = panel.querySelector("[role=listbox]");
    const out = panel.querySelector("[data-out]");
    let offered = [];
    let active = 0;

    function openPanel() {
      keepRange();
      const link = around("a");
      out.hidden = !link;
      const stored = link?.dataset.stored ?? link?.getAttribute("href") ?? "";
      words.value = links().find(([value]) => value === stored)?.[1] ?? stored;
      panel.hidden = false;
      offer();
      words.focus();
      words.select();
    }

    // The field has the focus again before the panel goes: words that nobody writes in are done with.
    function closePanel() {
      backToField();
      panel.hidden = true;
      tell();
    }

    function offer() {
      const typed = words.value.trim();
      const lower = typed.toLowerCase();
      const known = links();
      offered = known.filter(([, name]) => name.toLowerCase().includes(lower)).slice(0, MOST);
      const address = completed(typed);
      if (address) offered.unshift([address, panel.dataset.lead.replace("{what}", typed)]);
      else if (typed && !known.some(([, name]) => name.toLowerCase() === lower))
        offered.push([`new:${typed}`, panel.dataset.make.replace("{what}", typed)]);
      active = 0;
      show();
    }

    function show() {
      list.replaceChildren(
        ...offered.map(([, name], place) => {
          const option = document.createElement("li");
          option.role = "option";
          option.id = `${list.id}-${place}`;
          option.textContent = name;
          option.setAttribute("aria-selected", place === active);
          return option;
        }),
      );
      words.setAttribute("aria-activedescendant", offered.length ? `${list.id}-${active}` : "");
    }

    function lead(value, name) {
      closePanel();
      const link = around("a");
      const selection = getSelection();
      if (link) selection.selectAllChildren(link);
      if (selection.isCollapsed) {
        const text = value.startsWith("new:")
          ? value.slice(4)
          : value.includes("@")
            ? value.replace("mailto:", "")
            : name;
        document.execCommand("insertText", false, text);
        for (const _ of text) selection.modify("extend", "backward", "character");
      }
      document.execCommand("createLink", false, value);
      for (const one of field.querySelectorAll("a[data-stored]"))
        if (one.getAttribute("href") === value) delete one.dataset.stored;
      selection.collapseToEnd();
      tell();
    }

    function takeOut() {
      closePanel();
      const link = around("a");
      if (link) getSelection().selectAllChildren(link);
      document.execCommand("unlink");
      getSelection().collapseToEnd();
      tell();
    }

    // --- what hands do
    function onKey(event) {
      const { key, code, ctrlKey, metaKey, shiftKey, altKey } = event;
      if (key === "F10" && altKey) {
        event.preventDefault();
        bar.querySelector("button").focus();
        return;
      }
      if (!ctrlKey && !metaKey) return;
      const digit = /^(Digit|Numpad)(\d)$/.exec(code)?.[2];
      const name = `${shiftKey ? "shift+" : ""}${altKey ? "alt+" : ""}${digit ?? key.toLowerCase()}`;
      if (KEYS[name]) {
        event.preventDefault();
        event.stopPropagation();
        keepRange();
        act(KEYS[name]);
      } else if (name === "shift+ ") {
        event.preventDefault();
        document.execCommand("insertText", false, "\u00a0");
      } else if (name === "u") event.preventDefault(); // nothing but a link is underlined
    }

    // A bar is one stop of Tab; within it arrow keys lead on.
    function onBarKey(event) {
      const buttons = [...bar.querySelectorAll("button")];
      const at = buttons.indexOf(event.target);
      const to = { ArrowRight: at + 1, ArrowLeft: at - 1, Home: 0, End: -1 }[event.key];
      if (event.key !== "Escape" && to === undefined) return;
      event.preventDefault();
      event.stopPropagation();
      if (event.key === "Escape") return backToField();
      const next = buttons.at(to % buttons.length);
      for (const button of buttons) button.tabIndex = button === next ? 0 : -1;
      next.focus();
    }

    function onPanelKey(event) {
      const { key } = event;
      if (!["Escape", "Enter", "ArrowDown", "ArrowUp"].includes(key)) return;
      event.preventDefault();
      event.stopPropagation();
      if (key === "Escape") closePanel();
      else if (key === "Enter") {
        if (offered[active]) lead(...offered[active]);
      } else {
        active = (active + (key === "ArrowDown" ? 1 : offered.length - 1)) % Math.max(1, offered.length);
        show();
      }
    }

    function onPaste(event) {
      const markup = event.clipboardData?.getData("text/html");
      if (!markup) return; // plain text goes in as browsers put it
      event.preventDefault();
      document.execCommand("insertHTML", false, pasted(markup));
    }

    const heard = [
      [field, "keydown", onKey],
      [field, "keyup", tell],
      [field, "mouseup", tell],
      [field, "paste", onPaste],
      [field, "focusout", keepRange],
      [bar, "mousedown", (event) => event.preventDefault()],
      [
        bar,
        "click",
        (event) => event.target.closest("[data-format]") && act(event.target.closest("[data-format]").dataset.format),
      ],
      [bar, "keydown", onBarKey],
      [words, "input", offer],
      [panel, "keydown", onPanelKey],
      [list, "mousedown", (event) => event.preventDefault()],
      [
        list,
        "click",
        (event) => {
          const place = [...list.children].indexOf(event.target.closest("li"));
          if (place >= 0) lead(...offered[place]);
        },
      ],
      [out, "click", takeOut],
    ];
    for (const [target, name, act] of heard) target.addEventListener(name, act);
    document.execCommand("defaultParagraphSeparator", false, "p");
    tell();
    return () => {
      for (const [target, name, act] of heard) target.removeEventListener(name, act);
    };
  }

  // The headings of a field: those of the first level as they stand there, and those under them.
  function tags(field) {
    const major = [...field.querySelectorAll(HEADINGS)].find((heading) => !heading.classList.contains("minor"));
    const level = Number(major?.localName[1] ?? 3);
    return { major: `h${level}`, minor: `h${Math.min(6, level + 1)}` };
  }

  // An address as it is stored, for one that was typed; "" for what is none.
  function completed(typed) {
    if (/^(https?:\/\/|mailto:|tel:)\S+$/i.test(typed)) return typed;
    if (/^[^\s@]+@[^\s@]+\.[^\s@]+$/.test(typed)) return `mailto:${typed}`;
    if (/^\+?[\d ()/-]{5,}$/.test(typed)) return `tel:${typed.replace(/[^\d+]/g, "")}`;
    return /^[\w-]+(\.[\w-]+)+(\/\S*)?$/.test(typed) ? `https://${typed}` : "";
  }

  // Markup from elsewhere without what runs, loads or only looks; what it means is read where it is kept.
  function pasted(markup) {
    const { body } = new DOMParser().parseFromString(markup, "text/html");
    for (const one of body.querySelectorAll(
      "script, style, meta, link, title, img, svg, iframe, object, input, button",
    ))
      one.remove();
    for (const element of body.querySelectorAll("*")) {
      const style = element.getAttribute("style")?.match(SAYS)?.join(";");
      const href = element.getAttribute("href");
      for (const { name } of [...element.attributes]) element.removeAttribute(name);
      if (style) element.dataset.says = style;
      if (href) element.setAttribute("href", href);
    }
    const headings = [...body.querySelectorAll("h1, h2, h3, h4, h5, h6")];
    const ranks = [...new Set(headings.map((heading) => heading.localName))].sort();
    for (const heading of headings) rename(heading, `h${Math.min(6, 3 + ranks.indexOf(heading.localName))}`);
    return body.innerHTML;
  }

  // Headings of elsewhere stand below those of the desk and of the page; which is above which stays.
  function rename(heading, name) {
    const renamed = document.createElement(name);
    renamed.append(...heading.childNodes);
    heading.replaceWith(renamed);
  }

  // What is kept of a field: links as they are stored, and styles only where they were pasted, not those that browsers add.
  function kept(field) {
    const copy = field.cloneNode(true);
    for (const one of copy.querySelectorAll("[style]")) one.removeAttribute("style");
    for (const one of copy.querySelectorAll("[data-says]")) one.setAttribute("style", one.dataset.says);
    for (const link of copy.querySelectorAll("a[data-stored]")) link.setAttribute("href", link.dataset.stored);
    return copy.innerHTML;
  }

  globalThis.richText = { attach, completed, kept, pasted };
})();
