// The sides of a crop, moved and pulled, stay within the picture and keep a chosen shape.
import assert from "node:assert/strict";
import test from "node:test";
import { moved, pulled } from "../../assets/workbench/crop.js";

const BOX = { left: 20, top: 30, right: 60, bottom: 70 };
const CORNERS = ["left top", "right top", "left bottom", "right bottom"];

test("moved whole, it stops at the edges and keeps its size", () => {
  assert.deepEqual(moved(BOX, 10, -5), { left: 30, top: 25, right: 70, bottom: 65 });
  assert.deepEqual(moved(BOX, 90, 90), { left: 60, top: 60, right: 100, bottom: 100 });
  assert.deepEqual(moved(BOX, -90, -90), { left: 0, top: 0, right: 40, bottom: 40 });
});

test("a corner moves its two sides alone", () => {
  assert.deepEqual(pulled(BOX, "left top", 5, 6, 0), { left: 5, top: 6, right: 60, bottom: 70 });
  assert.deepEqual(pulled(BOX, "right bottom", 95, 80, 0), { left: 20, top: 30, right: 95, bottom: 80 });
});

test("whatever is pulled where, something is left, within the picture and in its shape", () => {
  for (const corner of CORNERS)
    for (const ratio of [0, 0.4, 1, 2.5])
      for (const x of [-50, 0, 33, 61, 100, 150])
        for (const y of [-50, 0, 33, 71, 100, 150]) {
          const { left, top, right, bottom } = pulled(BOX, corner, x, y, ratio);
          const place = `${corner} to ${x}, ${y} at ${ratio}: ${left} ${top} ${right} ${bottom}`;
          assert.ok(Math.min(left, top) > -1e-9 && Math.max(right, bottom) < 100 + 1e-9, place);
          assert.ok(right - left > 4.999 && bottom - top > 4.999, place);
          if (ratio) assert.ok(Math.abs((right - left) / (bottom - top) - ratio) < 1e-6, place);
        }
});
