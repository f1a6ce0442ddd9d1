// Templates tried on side by side: where one is scrolled to, the others go too.
const list = document.querySelector(".try-on");

addEventListener("message", (event) => {
  if (event.origin !== list.dataset.origin || event.data.type !== "scroll") return;
  for (const frame of list.querySelectorAll("iframe")) {
    if (frame.contentWindow !== event.source) frame.contentWindow.postMessage(event.data, list.dataset.origin);
  }
});
