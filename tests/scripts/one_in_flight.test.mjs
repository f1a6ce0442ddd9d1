// While a request is under way only the newest waits.
import assert from "node:assert/strict";
import test from "node:test";
import { oneInFlight } from "../../assets/workbench/one_in_flight.js";

const settled = () => new Promise((resolve) => setTimeout(resolve));

test("the first goes at once, the newest goes after it, what lies between is never sent", async () => {
  const sent = [];
  let answer;
  const run = oneInFlight((word) => {
    sent.push(word);
    return new Promise((resolve) => {
      answer = resolve;
    });
  });
  run("a");
  run("b");
  run("c");
  assert.deepEqual(sent, ["a"]);
  answer();
  await settled();
  assert.deepEqual(sent, ["a", "c"]);
  answer();
  await settled();
  run("d");
  assert.deepEqual(sent, ["a", "c", "d"]);
});

test("a request that fails lets the next one go", async () => {
  const sent = [];
  const run = oneInFlight(async (word) => {
    sent.push(word);
    if (word === "a") throw new Error("offline");
  });
  const first = run("a");
  run("b");
  await assert.rejects(first, /offline/);
  await settled();
  assert.deepEqual(sent, ["a", "b"]);
});
