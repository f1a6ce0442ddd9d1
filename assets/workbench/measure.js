// While the proof is open, every page is drawn in an unseen window as narrow as any and measured there. The server judges.
import { ask } from "./ask.js";
import { sentence } from "./sentence.js";

export function measure(config, pages, at, show) {
  const frame = document.createElement("iframe");
  frame.className = "measuring";
  frame.tabIndex = -1;
  frame.setAttribute("aria-hidden", "true");
  frame.title = sentence("measuring");
  const found = {};
  let waiting = null;
  const heard = (event) => {
    if (event.source !== frame.contentWindow || event.origin !== config.origin) return;
    if (event.data.type === "ready") frame.contentWindow.postMessage({ type: "measure" }, config.origin);
    if (event.data.type === "measured") waiting?.(event.data);
  };
  addEventListener("message", heard);
  let ended = false;
  async function run() {
    document.body.append(frame);
    for (const page of pages) {
      if (ended) break;
      const answer = await new Promise((resolve) => {
        waiting = resolve;
        setTimeout(resolve, 8000);
        frame.src = `${config.base}${page.path}`;
      });
      if (answer)
        found[page.id] = {
          width: config.limits.narrowest,
          content: answer.content,
          widest: answer.widest,
          targets: answer.targets,
          heights: answer.heights,
        };
    }
    removeEventListener("message", heard);
    frame.remove();
    if (ended) return;
    const data = new FormData();
    data.set("measured", JSON.stringify(found));
    const answer = await ask(at("measured"), data);
    if (!ended && answer.html) show(answer.html);
  }
  run();
  return () => {
    ended = true;
  };
}
