// The outgoing queue: requests go out in order, one at a time. Each is answered, or kept and sent again until it is.
// `post` sends one, `store` keeps them over a reload, `answered` hears each answer, `changed` how the queue stands.
const SHORTEST = 1000; // ms between two tries
const LONGEST = 15_000;

// By which the server knows a request that it did already, its answer lost.
export const ownToken = () => crypto.randomUUID?.() ?? `${Date.now()}${Math.random()}`;

const same = (one, other) => one.form === other.form && String(one.fields) === String(other.fields);

// What was asked for first and stands in no later field, and the later fields.
const besides = (first, later) => [...first.filter(([name]) => !later.some(([other]) => other === name)), ...later];

export class OutgoingQueue {
  constructor({ post, store, answered, changed, wait = (act, pause) => setTimeout(act, pause) }) {
    Object.assign(this, { post, store, answered, changed, wait });
    this.requests = [];
    this.going = null;
    this.state = "idle"; // or "sending", "offline", "failed", "signed_out"
    this.pause = SHORTEST;
    this.unwanted = null; // the request that is given up once it is not answered again
    this.waiters = new Map();
  }

  waitsFor(form) {
    return this.requests.some((request) => request.form === form);
  }

  get length() {
    return this.requests.length;
  }

  // What is asked: `form` it came from, `fields` as pairs. One of the same `form` that `replaces` gives way to it while
  // it still waits; where it goes `partly`, what the newer one does not speak of stays. The same twice goes once, unless
  // it is to be done `again`. The promise is kept once it is answered.
  add(request) {
    const last = this.requests.at(-1);
    if (last && !request.again && same(last, request)) return this.waiters.get(last);
    if (last && last !== this.going && request.replaces && last.form === request.form) {
      last.fields = request.partly ? besides(last.fields, request.fields) : request.fields;
      last.seen = request.seen;
      last.revision = Math.min(last.revision ?? 0, request.revision ?? 0);
      last.token = request.token; // the one before may have been done, its answer lost
      this.store.save(this.requests);
      return this.waiters.get(last);
    }
    this.requests.push(request);
    this.store.save(this.requests);
    let done;
    const waiter = new Promise((resolve) => {
      done = resolve;
    });
    waiter.done = done;
    this.waiters.set(request, waiter);
    if (this.holding) this.stand(this.state);
    this.run();
    return waiter;
  }

  // Those kept from before a reload go first.
  restore(requests) {
    for (const request of requests) this.waiters.set(request, { done() {} });
    this.requests.unshift(...requests);
    this.store.save(this.requests);
    this.run();
  }

  async run() {
    if (this.going || this.holding || !this.length) return;
    this.going = this.requests[0];
    if (this.state === "idle") this.stand("sending");
    const answer = await this.post(this.going);
    const request = this.going;
    this.going = null;
    const givenUp = answer.lost && request === this.unwanted;
    if (answer.lost && !givenUp) return this.hold(answer.lost);
    this.pause = SHORTEST;
    this.leave(request, givenUp ? { dropped: true } : answer);
  }

  leave(request, answer) {
    this.requests.shift();
    this.store.save(this.requests);
    this.stand(this.length ? "sending" : "idle");
    this.answered(request, answer);
    this.waiters.get(request).done(answer);
    this.waiters.delete(request);
    this.run();
  }

  // No answer came: all that waits is kept. A line or a server may come back by itself, a session does not.
  hold(why) {
    this.holding = true;
    this.stand(why);
    if (why === "signed_out") return;
    const pause = this.pause;
    this.pause = Math.min(LONGEST, 2 * pause);
    this.wait(() => this.retry(), pause);
  }

  retry() {
    if (!this.holding) return;
    this.holding = false;
    this.run();
  }

  // The first request is given up, for one at which the server fails each time. One that is just being tried again is
  // given up if that fails too.
  drop() {
    if (this.going) this.unwanted = this.going;
    if (this.going || !this.holding) return;
    this.holding = false;
    this.leave(this.requests[0], { dropped: true });
  }

  stand(state) {
    this.state = state;
    this.changed(state, this.length);
  }
}
