// A section that is moved on its page: which windows can show before the answer comes.
const COMMANDS = ["move-section", "place-section"];

// What a request moves: its `place`, and `before` which it goes, "" for the end, or `by` how many; null where it moves none.
export function moveOf(fields) {
  const { command, section: place, before, by, page } = Object.fromEntries(fields);
  if (!COMMANDS.includes(command) || page !== undefined) return null;
  return { place, before, by: Number(by) };
}
