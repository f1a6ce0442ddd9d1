// What is typed into a form that is sent whole is kept in this window until the server has taken it: over a session
// that ends, a line that is gone, a page that is left. Signing out takes it away.
const PREFIX = "yemba-typed:";
const form = document.querySelector("form[data-typed]");
const key = form && `${PREFIX}${form.dataset.typed}:${location.pathname}`;

const entries = () => Object.keys(sessionStorage).filter((name) => name.startsWith(PREFIX));
const read = (name) => JSON.parse(sessionStorage.getItem(name));
const save = (name, entry) => sessionStorage.setItem(name, JSON.stringify(entry));

// Whether the server shows this page in answer to what was sent. Where no answer came, one comes back by hand.
function isAnswer() {
  const [{ type }] = performance.getEntriesByType("navigation");
  const notTaken = document.querySelector("[data-not-taken]"); // one is asked to sign in, or is refused
  return !notTaken && type !== "back_forward" && document.referrer.startsWith(`${location.origin}/`);
}

function afterSending() {
  const answered = isAnswer();
  for (const name of entries()) {
    const entry = read(name);
    if (entry.sent && answered) sessionStorage.removeItem(name);
    else save(name, { ...entry, sent: false });
  }
}

const isFile = ({ type }) => type === "file";
const isTyped = ({ name, type }) => name && !["hidden", "password", "submit"].includes(type);
const fields = () => [...form.elements].filter(isTyped);

function typed(sent) {
  const names = fields()
    .filter((field) => !isFile(field))
    .map(({ name }) => name);
  const values = [...new FormData(form)].filter(([name]) => names.includes(name));
  const files = fields()
    .filter(isFile)
    .flatMap((field) => [...field.files].map((file) => file.name));
  return { sent, values, files };
}

function putBack(field, values) {
  const own = values.filter(([name]) => name === field.name).map(([, value]) => value);
  if (["checkbox", "radio"].includes(field.type)) field.checked = own.includes(field.value);
  else if (own.length) field.value = own[0];
}

// Fills in what the page does not say already, and says so.
function restore({ values, files }) {
  const before = JSON.stringify(typed().values);
  for (const field of fields()) if (!isFile(field)) putBack(field, values);
  const note = document.getElementById("typed-note");
  const missing = note.querySelector("[data-files]");
  missing.hidden = !files.length;
  missing.querySelector("[data-names]").textContent = files.join(", ");
  note.hidden = !files.length && JSON.stringify(typed().values) === before;
}

function beginAnew() {
  form.reset();
  sessionStorage.removeItem(key);
  const note = document.getElementById("typed-note");
  note.hidden = true;
  fields()[0].focus();
}

afterSending();
if (form) {
  const entry = key in sessionStorage && read(key);
  if (entry) restore(entry);
  form.addEventListener("input", () => save(key, typed(false)));
  form.addEventListener("submit", () => save(key, typed(true)));
  form.querySelector("[data-anew]").addEventListener("click", beginAnew);
}
