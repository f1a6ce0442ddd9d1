// In a page that is only looked at: says where it is scrolled to, and goes where others are.
// The server puts a first line before this one: const workbench, the studio's origin.
let own = -1; // where it was scrolled to from outside: of that nothing is said

addEventListener("message", (event) => {
  if (event.source !== parent || event.origin !== workbench || event.data.type !== "scroll") return;
  const { place, share } = event.data;
  const found = place && document.querySelector(`[data-place="${CSS.escape(place)}"]`);
  const top = found ? found.getBoundingClientRect().top + scrollY : 0;
  const height = found ? found.offsetHeight : document.documentElement.scrollHeight;
  scrollTo({ top: share < 0 ? 0 : top + share * height, behavior: "instant" });
  own = scrollY;
});

addEventListener("scroll", () => {
  if (scrollY === own || parent === window) return;
  const places = [...document.querySelectorAll("[data-place]")];
  const at = places.find((place) => place.getBoundingClientRect().bottom > 0);
  const box = at?.getBoundingClientRect();
  const spot = at && scrollY >= 2 ? { place: at.dataset.place, share: -box.top / box.height } : { share: -1 };
  parent.postMessage({ type: "scroll", ...spot }, workbench);
});
