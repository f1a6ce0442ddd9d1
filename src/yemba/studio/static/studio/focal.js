// The focal point: a pointer or arrow keys put it on the picture; three crops show what they keep.
export function focal(gestures) {
  return {
    init() {
      const mark = this.$refs.mark;
      const whole = mark.parentElement;
      whole.addEventListener("pointerdown", (event) => {
        event.preventDefault();
        whole.setPointerCapture(event.pointerId);
        gestures.begin();
        this.point(event);
      });
      whole.addEventListener("pointermove", (event) => whole.hasPointerCapture(event.pointerId) && this.point(event));
      whole.addEventListener("pointerup", () => this.keep());
      mark.addEventListener("keydown", (event) => this.key(event));
      mark.addEventListener("keyup", () => this.rest());
      this.form().addEventListener("input", () => this.draw());
      this.draw();
    },

    form() {
      return this.$root.querySelector("form");
    },

    draw() {
      const { x, y } = this.form().elements;
      const mark = this.$refs.mark;
      mark.style.left = `${Number(x.value)}%`;
      mark.style.top = `${Number(y.value)}%`;
      for (const crop of this.$root.querySelectorAll(".crops img")) crop.style.objectPosition = `${Number(x.value)}% ${Number(y.value)}%`;
    },

    set(x, y) {
      const held = (share) => Math.round(Math.min(100, Math.max(0, share)));
      const { elements } = this.form();
      elements.x.value = held(x);
      elements.y.value = held(y);
      this.draw();
      gestures.stream(this.form());
    },

    point(event) {
      const box = this.$refs.mark.parentElement.getBoundingClientRect();
      this.set((100 * (event.clientX - box.left)) / box.width, (100 * (event.clientY - box.top)) / box.height);
    },

    key(event) {
      const step = event.shiftKey ? 10 : 1;
      const moves = { ArrowLeft: [-step, 0], ArrowRight: [step, 0], ArrowUp: [0, -step], ArrowDown: [0, step] };
      const move = moves[event.key];
      if (!move) return;
      event.preventDefault();
      clearTimeout(this.late);
      if (!this.late) gestures.begin();
      this.late ||= true;
      const { x, y } = this.form().elements;
      this.set(Number(x.value) + move[0], Number(y.value) + move[1]);
    },

    // Keys pressed one after the other are one gesture; it ends when they rest.
    rest() {
      if (!this.late) return;
      clearTimeout(this.late);
      this.late = setTimeout(() => this.keep(), 350);
    },

    async keep() {
      this.late = false;
      gestures.rest();
      await gestures.send(this.form());
      gestures.end();
    },
  };
}
