// Shows a frame at a true width in CSS pixels, drawn smaller.
export function fit(frame, width, height, scale) {
  frame.style.width = `${width}px`;
  frame.style.height = `${height}px`;
  frame.style.transform = `scale(${scale})`;
}
