// Asked in a page by the sweep of looks: the texts that stand on pictures, and the bitmaps that are drawn.
function textsOnPictures() {
  const out = ".backdrop, .button, .unseen, .skip, input, textarea, .menu-button";
  const elements = [...document.querySelectorAll(".has-backdrop *")].filter(
    (element) => !element.closest(out) && element.checkVisibility({ visibilityProperty: true }),
  );
  const strips = [...document.querySelectorAll(".has-backdrop *")].filter((element) =>
    /auto|scroll/.test(getComputedStyle(element).overflowX),
  );
  // Of what visitors move along, only what shows stands on the picture.
  const shows = (element, { left, right }) => {
    const strip = strips.find((one) => one.contains(element))?.getBoundingClientRect();
    return !strip || (left >= strip.left && right <= strip.right);
  };
  return elements.flatMap((element) => {
    const { color, fontSize, fontWeight } = getComputedStyle(element);
    const large = Number.parseFloat(fontSize) >= (fontWeight >= 700 ? 18.66 : 24);
    const nodes = [...element.childNodes].filter((node) => node.nodeType === Node.TEXT_NODE && node.textContent.trim());
    return nodes.flatMap((node) => {
      const range = document.createRange();
      range.selectNodeContents(node);
      const words = node.textContent.trim().slice(0, 30);
      const lines = [...range.getClientRects()].filter((line) => shows(element, line));
      return lines.map(({ x, y, width, height }) => ({
        words,
        color,
        large,
        box: [x + scrollX, y + scrollY, width, height],
      }));
    });
  });
}

async function bitmaps() {
  const images = [...document.querySelectorAll("picture img")];
  for (const image of images) {
    image.scrollIntoView({ behavior: "instant" });
    for (let tries = 0; tries < 100 && !image.complete; tries += 1) await new Promise((later) => setTimeout(later, 20));
  }
  return images.filter((image) => image.checkVisibility()).map(bitmap);
}

// How many px wide an image is said to be drawn, in px and vw.
function said(sizes) {
  const fits = (part) => !part.includes("(") || matchMedia(part.slice(0, part.lastIndexOf(")") + 1)).matches;
  const length = sizes.split(",").find(fits).trim().split(" ").at(-1);
  return (Number.parseFloat(length) * (length.endsWith("vw") ? innerWidth : 100)) / 100;
}

// What was chosen, what the image itself asks for, how many pixels are drawn of it, and the most that there are.
function bitmap(image) {
  const { width, height } = image.getBoundingClientRect();
  const [across, down] = [image.getAttribute("width"), image.getAttribute("height")].map(Number);
  const covers = getComputedStyle(image).objectFit === "cover";
  const sets = [...image.parentElement.querySelectorAll("source")].map((source) => source.srcset).join(",");
  const offered = sets.split(",").map((one) => Number.parseInt(one.trim().split(" ")[1], 10) || 0);
  const most = Math.max(...offered);
  const wide = said(image.parentElement.querySelector("source").sizes) * devicePixelRatio;
  return {
    meant: Math.min(most, ...offered.filter((one) => one >= wide)),
    source: image.currentSrc.split("/").at(-1),
    own: Number(/-(\d+)\./.exec(image.currentSrc)?.[1]),
    wanted: (covers ? Math.max(width, (height * across) / down) : width) * devicePixelRatio,
    most,
    behind: Boolean(image.closest(".backdrop")),
    sized: across > 0 && down > 0,
  };
}

globalThis.looks = { textsOnPictures, bitmaps };
