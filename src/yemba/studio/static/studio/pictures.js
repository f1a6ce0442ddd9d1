// The sites list: shows each site's own pages, small.
import { fit } from "./scale.js";

for (const frame of document.querySelectorAll(".little")) {
  const width = Number(frame.dataset.width);
  const scale = 200 / Number(frame.dataset.height);
  const holder = document.createElement("div");
  holder.className = "little-frame";
  holder.style.width = `${width * scale}px`;
  holder.style.height = "200px";
  frame.replaceWith(holder);
  holder.append(frame);
  fit(frame, width, Number(frame.dataset.height), scale);
}
