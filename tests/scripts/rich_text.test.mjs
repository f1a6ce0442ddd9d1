import assert from "node:assert/strict";
import { readFileSync } from "node:fs";
import test from "node:test";
import { runInThisContext } from "node:vm";

const script = new URL("../../src/yemba/hosting/static/hosting/rich_text.js", import.meta.url);
runInThisContext(readFileSync(script, "utf8"));
const { completed } = globalThis.richText;

test("what is typed as a link becomes a whole address, or is the name of a page", () => {
  const addresses = {
    "https://tide.example/row": "https://tide.example/row",
    "tide.example": "https://tide.example",
    "tide.example/a?b=1": "https://tide.example/a?b=1",
    "ines@saltmarsh.example": "mailto:ines@saltmarsh.example",
    "+44 1632 960 417": "tel:+441632960417",
    "tel:0123": "tel:0123",
  };
  for (const [typed, address] of Object.entries(addresses)) assert.equal(completed(typed), address);
  for (const name of ["", "Repairs", "Open days", "No. 4", "1999", "javascript:alert(1)", "a@b"])
    assert.equal(completed(name), "", name);
});
