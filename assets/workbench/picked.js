// Several sections, or entries of one, picked by their ticks: what is done to them goes out with their ids.
export function picked(desk) {
  desk.addEventListener(
    "submit",
    ({ target }) => {
      const { picked: of } = target.dataset;
      if (of === undefined) return;
      const [ticks, field] = of === "item" ? ["pickItem", "items"] : ["pick", "sections"];
      const ticked = [...desk.querySelectorAll("input:checked")].filter(({ dataset }) => dataset[ticks]);
      target.elements[field].value = ticked.map(({ dataset }) => dataset[ticks]).join(" ");
    },
    true,
  );
}
