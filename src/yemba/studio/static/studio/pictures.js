// Sites shown by their own pages, small.
import { fit } from "./scale.js";

for (const pictures of document.querySelectorAll(".site-pictures")) {
  const frames = [...pictures.children];
  const around = pictures.parentElement;
  const { paddingLeft, paddingRight } = getComputedStyle(around);
  const inside = around.clientWidth - Number.parseFloat(paddingLeft) - Number.parseFloat(paddingRight);
  const room = Math.min(inside, Number(pictures.dataset.room) || 430) - 14;
  const scale = room / frames.reduce((sum, frame) => sum + Number(frame.dataset.width), 0);
  for (const frame of frames) {
    const [width, height] = [Number(frame.dataset.width), Number(frame.dataset.height)];
    const holder = document.createElement("div");
    holder.className = "little-frame";
    holder.style.width = `${width * scale}px`;
    holder.style.height = `${height * scale}px`;
    frame.replaceWith(holder);
    holder.append(frame);
    fit(frame, width, height, scale);
  }
}
