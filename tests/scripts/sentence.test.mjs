// Words come from the server; the values are filled in.
import assert from "node:assert/strict";
import test from "node:test";

globalThis.document = {
  getElementById: () => ({ textContent: JSON.stringify({ sentences: { some: "{ticked} of {count}", none: "Kept" } }) }),
};
const { sentence } = await import("../../assets/workbench/sentence.js");

test("values stand where their names are", () => {
  assert.equal(sentence("some", { ticked: 0, count: 6 }), "0 of 6");
  assert.equal(sentence("none"), "Kept");
});
