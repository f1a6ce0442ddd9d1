() => {
  const box = ({ left, top, right, bottom }) => ({ left, top, right, bottom });
  const shown = (selector) =>
    [...document.querySelectorAll(selector)].filter(
      (one) => one.checkVisibility() && one.getBoundingClientRect().width,
    );
  const words = (one) => {
    const range = document.createRange();
    range.selectNodeContents(one);
    return range.getBoundingClientRect();
  };
  const menu = ".menu:not(:popover-open)";
  const pieces = `.bar > .tagline, ${menu} > ul > li, ${menu} > .action, .bar > .action, .menu-button, .site-title`;
  const first = document.querySelector("main > .section");
  const { backgroundColor, backgroundClip } = first ? getComputedStyle(first) : {};
  const painted = backgroundClip === "border-box" && !/, 0\)|transparent/.test(backgroundColor);
  const title = document.querySelector(".site-title");
  return {
    width: innerWidth,
    folded: Boolean(document.querySelector(".menu-button")?.checkVisibility()),
    pieces: shown(pieces).map((one) => ({
      what: one.matches("li") ? "entry" : one.className,
      ...box(one.getBoundingClientRect()),
      ...(one === title && { left: words(one).left, right: words(one).right }),
    })),
    name: title ? words(title).width : 0,
    entries: shown(`${menu} > ul > li > a`).map((one) => [one.textContent, words(one).width]),
    under: first && {
      painted: painted || first.classList.contains("has-backdrop"),
      ...box(first.getBoundingClientRect()),
    },
    sideways: document.documentElement.scrollWidth,
  };
};
