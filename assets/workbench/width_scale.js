// The width scale of the header: drawn along, or at the press of a stage, both windows take that width.
const STEP = 10; // px
const COARSE = 100;

export function widthScale(take) {
  return {
    init() {
      const scale = this.$root;
      const widest = Number(scale.dataset.widest);
      let drawing = false;
      const at = (event) => {
        const { left, width } = scale.getBoundingClientRect();
        this.take(((event.clientX - left) / width) * widest);
      };
      scale.addEventListener("pointerdown", (event) => {
        drawing = true;
        scale.setPointerCapture(event.pointerId);
        at(event);
      });
      scale.addEventListener("pointermove", (event) => drawing && at(event));
      scale.addEventListener("lostpointercapture", () => {
        drawing = false;
      });
      scale.addEventListener("keydown", (event) => {
        const way = { ArrowLeft: -1, ArrowRight: 1 }[event.key];
        if (!way) return;
        event.preventDefault();
        event.stopPropagation();
        this.take(Number(scale.getAttribute("aria-valuenow")) + way * (event.shiftKey ? COARSE : STEP));
      });
    },

    take(wanted) {
      const width = take(wanted);
      this.$root.setAttribute("aria-valuenow", width);
      const mark = this.$root.querySelector(".scale-now");
      const x = (320 * width) / Number(this.$root.dataset.widest);
      mark.setAttribute("d", `M${x.toFixed(1)} 20v20`);
    },
  };
}
