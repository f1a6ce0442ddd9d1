// Requests that have not been answered, kept in this browser for one person, site and window; a window that is gone
// leaves its own to the next. Signing out takes them away.
const WINDOW = "yemba-window";

export async function ownWindow(locks = navigator.locks, session = sessionStorage) {
  const known = session.getItem(WINDOW);
  const name = known && (await hold(locks, known)) ? known : fresh();
  if (name !== known) await hold(locks, name);
  session.setItem(WINDOW, name);
  return name;
}

const fresh = () => `w${Math.random().toString(36).slice(2, 12)}`;

// Held for as long as the window lives; false where another window holds it, as after a tab was doubled.
function hold(locks, name) {
  if (!locks) return Promise.resolve(true);
  return new Promise((resolve) => {
    locks.request(`yemba-${name}`, { ifAvailable: true }, (lock) => {
      resolve(Boolean(lock));
      return lock ? new Promise(() => {}) : undefined;
    });
  });
}

export class KeptWords {
  constructor(person, site, window, storage = localStorage) {
    this.prefix = `yemba-unsent:${person}:${site}:`;
    this.key = this.prefix + window;
    this.storage = storage;
  }

  save(requests) {
    if (requests.length) this.storage.setItem(this.key, JSON.stringify(requests));
    else this.storage.removeItem(this.key);
  }

  // What this window left before a reload, and what windows left that are gone.
  async load(locks = navigator.locks) {
    const found = this.read(this.key);
    const others = Object.keys(this.storage).filter((key) => key.startsWith(this.prefix) && key !== this.key);
    for (const key of others) {
      if (locks && !(await hold(locks, key.slice(this.prefix.length)))) continue;
      found.push(...this.read(key));
      this.storage.removeItem(key);
    }
    return found;
  }

  read(key) {
    try {
      return JSON.parse(this.storage.getItem(key)) ?? [];
    } catch {
      return [];
    }
  }
}
