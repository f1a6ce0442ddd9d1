// An instrument draws again each time the desk is put in anew, for as long as it stands there itself.
export function onDeskShown(root, draw) {
  const again = () => (root.isConnected ? draw() : removeEventListener("desk-shown", again));
  addEventListener("desk-shown", again);
}
