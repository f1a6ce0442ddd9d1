// Requests go out in order, one at a time, and none is lost.
import assert from "node:assert/strict";
import test from "node:test";
import { OutgoingQueue } from "../../assets/workbench/queue.js";

const settled = () => new Promise((resolve) => setTimeout(resolve));

// A queue whose server answers what `answer` gives, and whose clock stands still until it is turned.
function made(answer) {
  const log = { sent: [], answered: [], states: [], saved: [], late: [] };
  const queue = new OutgoingQueue({
    post: async (request) => {
      log.sent.push(request.fields[0][1]);
      return answer(request, log.sent.length);
    },
    store: { save: (requests) => log.saved.push(requests.map((request) => request.fields[0][1])) },
    answered: (request, reply) => log.answered.push([request.fields[0][1], reply]),
    changed: (state) => log.states.push(state),
    wait: (again, pause) => log.late.push([again, pause]),
  });
  return { queue, log };
}
const words = (value, more) => ({ form: "heading", fields: [["words", value]], ...more });

test("one goes at a time, in order", async () => {
  const answers = [];
  const { queue, log } = made(() => new Promise((resolve) => answers.push(resolve)));
  queue.add(words("a", { form: "one" }));
  queue.add(words("b", { form: "two" }));
  queue.add(words("c", { form: "three" }));
  await settled();
  assert.deepEqual(log.sent, ["a"]);
  answers[0]({});
  await settled();
  assert.deepEqual(log.sent, ["a", "b"]);
  answers[1]({});
  await settled();
  answers[2]({});
  await settled();
  assert.deepEqual(
    log.answered.map(([word]) => word),
    ["a", "b", "c"],
  );
  assert.equal(queue.state, "idle");
  assert.deepEqual(log.saved.at(-1), []);
});

test("what waits gives way to a newer one of the same form, what is on its way does not", async () => {
  const answers = [];
  const { queue, log } = made(() => new Promise((resolve) => answers.push(resolve)));
  queue.add(words("a", { replaces: true }));
  await settled();
  queue.add(words("ab", { replaces: true }));
  queue.add(words("abc", { replaces: true }));
  answers[0]({});
  await settled();
  assert.deepEqual(log.sent, ["a", "abc"]);
});

test("of a form that says only what was changed, nothing is lost where a newer one takes its place", async () => {
  const { queue } = made(() => ({ lost: "offline" }));
  const fields = (...pairs) => ({ token: "", address: "", form: "site", fields: pairs, replaces: true, partly: true });
  queue.add(fields(["title", "a"], ["tagline", "b"]));
  await settled();
  queue.add(fields(["tagline", "c"]));
  assert.deepEqual(queue.requests[0].fields, [
    ["title", "a"],
    ["tagline", "c"],
  ]);
});

test("what takes the place of a request that may have been done is another request", async () => {
  const { queue } = made(() => ({ lost: "offline" }));
  queue.add(words("a", { replaces: true, token: "1" }));
  await settled();
  queue.add(words("b", { replaces: true, token: "2" }));
  assert.deepEqual([queue.length, queue.requests[0].token], [1, "2"]);
});

test("nothing that came between is overtaken", async () => {
  const { queue, log } = made(() => ({ lost: "offline" }));
  queue.add(words("a", { replaces: true, form: "x" }));
  await settled();
  queue.add(words("b", { replaces: true }));
  queue.add(words("undo", { form: "", again: true }));
  queue.add(words("c", { replaces: true }));
  assert.deepEqual(log.saved.at(-1), ["a", "b", "undo", "c"]);
});

test("the same twice goes once, unless it is to be done again", async () => {
  const answers = [];
  const { queue, log } = made(() => new Promise((resolve) => answers.push(resolve)));
  queue.add(words("Tools"));
  queue.add(words("Tools"));
  assert.equal(queue.length, 1);
  queue.add(words("down", { form: "down", again: true }));
  queue.add(words("down", { form: "down", again: true }));
  assert.equal(queue.length, 3);
  assert.deepEqual(log.saved.at(-1), ["Tools", "down", "down"]);
});

test("offline, all is kept and sent again in order, later and later", async () => {
  let online = false;
  const { queue, log } = made(() => (online ? { said: "ok" } : { lost: "offline" }));
  const first = queue.add(words("a", { form: "one" }));
  queue.add(words("b", { form: "two" }));
  await settled();
  assert.equal(queue.state, "offline");
  log.late.at(-1)[0]();
  await settled();
  assert.deepEqual(
    log.late.map(([, pause]) => pause),
    [1000, 2000],
  );
  assert.deepEqual(log.sent, ["a", "a"]);
  online = true;
  queue.retry();
  assert.deepEqual(await first, { said: "ok" });
  await settled();
  assert.deepEqual(log.sent, ["a", "a", "a", "b"]);
  assert.deepEqual(
    log.answered.map(([word]) => word),
    ["a", "b"],
  );
});

test("a session that is over waits for its owner, not for a clock", async () => {
  const { queue, log } = made((_, count) => (count === 1 ? { lost: "signed_out" } : {}));
  queue.add(words("a"));
  await settled();
  assert.equal(queue.state, "signed_out");
  assert.deepEqual(log.late, []);
  assert.deepEqual(log.saved.at(-1), ["a"]);
  queue.retry();
  await settled();
  assert.equal(queue.state, "idle");
});

test("one at which the server fails can be left out, and the rest goes on", async () => {
  const { queue, log } = made((request) => (request.fields[0][1] === "bad" ? { lost: "failed" } : {}));
  queue.add(words("bad", { form: "one" }));
  queue.add(words("good", { form: "two" }));
  await settled();
  assert.equal(queue.state, "failed");
  queue.drop();
  await settled();
  assert.deepEqual(log.answered, [
    ["bad", { dropped: true }],
    ["good", {}],
  ]);
});

test("one that is just being tried again is given up where that fails too, and stays where it does not", async () => {
  for (const second of [{ lost: "failed" }, {}]) {
    const answers = [];
    const { queue, log } = made(() => new Promise((resolve) => answers.push(resolve)));
    queue.add(words("bad"));
    answers[0]({ lost: "failed" });
    await settled();
    log.late[0][0](); // the clock turns: it is tried again
    queue.drop();
    answers[1](second);
    await settled();
    assert.deepEqual(log.answered, [["bad", second.lost ? { dropped: true } : {}]]);
    assert.equal(queue.state, "idle");
  }
});

test("a refusal is an answer", async () => {
  const { queue, log } = made(() => ({ error: { sentence: "no" } }));
  const answer = await queue.add(words("a"));
  assert.equal(answer.error.sentence, "no");
  assert.equal(queue.length, 0);
  assert.equal(log.answered.length, 1);
});

test("what a reload left goes before what is typed now", async () => {
  const { queue, log } = made(() => ({}));
  queue.restore([words("old", { form: "one" })]);
  queue.add(words("new", { form: "two" }));
  await settled();
  assert.deepEqual(log.sent, ["old", "new"]);
});
