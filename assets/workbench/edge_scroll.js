// What is dragged to the edge of what scrolls brings more of it into view, for as long as it is held there.
const EDGE = 48; // px
const PACE = 10; // px a frame

export class EdgeScroll {
  // `scrolled` hears where the pointer is after each step.
  constructor(list, scrolled) {
    this.box = scrollBox(list);
    this.scrolled = scrolled;
    this.pointer = null;
    this.run();
  }

  run() {
    this.frame = requestAnimationFrame(() => {
      const before = this.box.scrollTop;
      if (this.pointer) this.box.scrollTop += this.way() * PACE;
      if (this.box.scrollTop !== before) this.scrolled(this.pointer);
      this.run();
    });
  }

  way() {
    const { top, bottom } = inView(this.box);
    if (this.pointer.y < top + EDGE) return -1;
    return this.pointer.y > bottom - EDGE ? 1 : 0;
  }

  stop() {
    cancelAnimationFrame(this.frame);
  }
}

function scrollBox(list) {
  for (let box = list.parentElement; box; box = box.parentElement)
    if (box.scrollHeight > box.clientHeight && /auto|scroll/.test(getComputedStyle(box).overflowY)) return box;
  return document.scrollingElement;
}

// From its top to its foot, or to the rail where that lies over it.
function inView(box) {
  const rail = document.getElementById("rail").getBoundingClientRect().top;
  const { top, bottom } =
    box === document.scrollingElement ? { top: 0, bottom: innerHeight } : box.getBoundingClientRect();
  return { top: Math.max(0, top), bottom: Math.min(bottom, rail) };
}
