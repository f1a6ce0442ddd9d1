// An instrument that draws on its desk draws again each time the desk is put in anew, until it goes itself.
export function onDeskShown(draw) {
  addEventListener("desk-shown", draw);
  return () => removeEventListener("desk-shown", draw);
}
