// Several sections picked by their ticks: what is done to them goes out with their ids.
export function picked(desk) {
  desk.addEventListener(
    "submit",
    ({ target }) => {
      if (target.dataset.picked === undefined) return;
      const ticked = [...desk.querySelectorAll("[data-pick]:checked")];
      target.elements.sections.value = ticked.map((tick) => tick.dataset.pick).join(" ");
    },
    true,
  );
}
