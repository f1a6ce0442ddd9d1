// What a request moves on its page, told from what was sent.
import assert from "node:assert/strict";
import test from "node:test";

import { moveOf } from "../../assets/workbench/moves.js";

const sent = (fields) => moveOf(Object.entries(fields));

test("by so many, before another, to the end", () => {
  assert.deepEqual(sent({ command: "move-section", section: "s", by: "-1" }), {
    place: "s",
    before: undefined,
    by: -1,
  });
  assert.equal(sent({ command: "place-section", section: "s", before: "t" }).before, "t");
  assert.equal(sent({ command: "place-section", section: "s", before: "" }).before, "");
});

test("not to another page, and nothing else is a move", () => {
  assert.equal(sent({ command: "place-section", section: "s", page: "p" }), null);
  assert.equal(sent({ command: "move-page", page: "p", by: "1" }), null);
  assert.equal(moveOf([]), null);
});
