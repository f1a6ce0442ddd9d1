// Requests not yet answered outlive a reload and a closed window, each window's apart.
import assert from "node:assert/strict";
import test from "node:test";
import { KeptWords, ownWindow } from "../../assets/workbench/kept_words.js";

// Storage as browsers have it: keys are its own properties.
function storage() {
  return Object.create({
    getItem(key) {
      return Object.hasOwn(this, key) ? this[key] : null;
    },
    setItem(key, value) {
      this[key] = value;
    },
    removeItem(key) {
      delete this[key];
    },
  });
}

// Locks that are held for ever, as windows hold theirs.
function locks(...held) {
  return {
    request(name, _options, act) {
      const free = !held.includes(name);
      if (free) held.push(name);
      act(free ? {} : null);
    },
  };
}

test("a window finds what it left, and takes over what a closed one left", async () => {
  const shared = storage();
  new KeptWords(1, "bindery", "w1", shared).save([{ token: "a" }]);
  new KeptWords(1, "bindery", "w2", shared).save([{ token: "b" }]);
  new KeptWords(1, "bindery", "w3", shared).save([{ token: "c" }]);
  new KeptWords(1, "nettle", "w4", shared).save([{ token: "other site" }]);
  new KeptWords(2, "bindery", "w5", shared).save([{ token: "other person" }]);
  const own = new KeptWords(1, "bindery", "w1", shared);
  assert.deepEqual(await own.load(locks("yemba-w3")), [{ token: "a" }, { token: "b" }]);
  assert.equal(shared.getItem("yemba-unsent:1:bindery:w2"), null);
  assert.ok(shared.getItem("yemba-unsent:1:bindery:w3"), "its window still stands");
});

test("nothing is left once all is answered, and what cannot be read is nothing", async () => {
  const shared = storage();
  const own = new KeptWords(1, "bindery", "w1", shared);
  own.save([{ token: "a" }]);
  own.save([]);
  assert.deepEqual(Object.keys(shared), []);
  shared.setItem("yemba-unsent:1:bindery:w1", "{broken");
  assert.deepEqual(await own.load(locks()), []);
});

test("a window keeps its name over a reload, and a doubled tab gets one of its own", async () => {
  const session = storage();
  const first = await ownWindow(locks(), session);
  assert.equal(await ownWindow(locks(), session), first);
  assert.notEqual(await ownWindow(locks(`yemba-${first}`), session), first);
});
