// Taking files in: chosen, dropped or pasted. They go out one after the other, beside the queue of edits, so that a large
// file holds no words up; one that brought no answer waits here as long as the page is open, and is sent again.
import { token } from "./ask.js";
import { OutgoingQueue, ownToken } from "./queue.js";
import { sentence } from "./sentence.js";

const LOST = { 0: "offline", 401: "signed_out", 403: "signed_out" };

// A file's line in its form: its name, how much of it went out, and that it waits.
class Line {
  constructor(name) {
    this.element = document.createElement("li");
    this.bar = document.createElement("progress");
    this.bar.max = 1;
    this.bar.setAttribute("aria-label", name);
    this.words = document.createElement("span");
    this.element.append(name, this.bar, this.words);
    this.waits();
  }

  waits() {
    this.bar.hidden = true;
    this.words.textContent = sentence("file_waits");
  }

  sent(share) {
    this.bar.hidden = share === 1;
    this.bar.value = share;
    this.words.textContent = share === 1 ? sentence("being_read") : "";
  }
}

// `fields` are what every request says besides its form, `arrived` hears the answer to a file that was taken in, `say` a
// fault whose form stands no more, and `changed` that the queue stands otherwise.
export function uploads(desk, { fields, arrived, say, changed }) {
  const faults = new Map(); // of each form, by its id
  const queue = new OutgoingQueue({ post, store: { save() {} }, answered, changed });

  function post({ address, data, line }) {
    for (const [name, value] of Object.entries(fields())) data.set(name, value);
    return new Promise((resolve) => {
      const request = new XMLHttpRequest();
      request.open("POST", address);
      request.setRequestHeader("Accept", "application/json");
      request.setRequestHeader("X-CSRFToken", token());
      request.responseType = "json";
      request.upload.addEventListener("progress", ({ loaded, total }) => line.sent(total ? loaded / total : 1));
      request.addEventListener("loadend", () => {
        const why = LOST[request.status] ?? (request.status >= 500 ? "failed" : "");
        if (why) line.waits();
        resolve(why ? { lost: why } : (request.response ?? notRead(data)));
      });
      line.sent(0);
      request.send(data);
    });
  }

  function notRead(data) {
    return { error: { sentence: sentence("not_arrived", { name: data.get("file").name }) } };
  }

  function answered({ form, line }, answer) {
    line.element.remove();
    if (answer.dropped) say(sentence("left_out"));
    else if (answer.error) refused(form, answer.error);
    else arrived(answer);
  }

  function refused(form, error) {
    faults.get(form).push(error.sentence);
    if (!draw(form)) say(error.sentence);
  }

  // A panel that comes after what did arrive leaves the words beside the form.
  function draw(id) {
    const form = document.getElementById(id);
    if (!form) return false;
    const fault = form.querySelector(".fault");
    fault.textContent = faults.get(id).join(" ");
    fault.toggleAttribute("data-keep", Boolean(fault.textContent));
    return true;
  }

  function take(form, files) {
    const input = form.querySelector("[type=file]");
    faults.set(form.id, []);
    draw(form.id);
    for (const file of input.multiple ? [...files] : [...files].slice(0, 1)) {
      const data = new FormData(form);
      data.delete("csrfmiddlewaretoken"); // the one of the time when it is sent counts
      data.set("file", file, file.name);
      data.set("token", ownToken());
      const line = new Line(file.name);
      form.querySelector(".uploads").append(line.element);
      queue.add({ form: form.id, address: form.getAttribute("action"), data, line, fields: [], again: true });
    }
    input.value = "";
  }

  // On a desk that came anew stand the lines of what still goes to it.
  addEventListener("desk-shown", () => {
    for (const { form, line } of queue.requests)
      if (!line.element.isConnected) document.getElementById(form)?.querySelector(".uploads").append(line.element);
  });

  const takers = () => [...desk.querySelectorAll("form[data-edit=upload]")];
  desk.addEventListener(
    "change",
    ({ target }) => target.form?.dataset.edit === "upload" && take(target.form, target.files),
  );
  desk.addEventListener("dragover", (event) => {
    if (!event.dataTransfer.types.includes("Files") || !takers().length) return;
    event.preventDefault();
    const over = event.target.closest("form[data-edit=upload]") || takers()[0];
    for (const form of takers()) form.toggleAttribute("data-over", form === over);
  });
  desk.addEventListener("dragleave", () => {
    for (const form of takers()) form.removeAttribute("data-over");
  });
  desk.addEventListener("drop", (event) => {
    const form = takers().find((known) => known.hasAttribute("data-over"));
    if (!form || !event.dataTransfer.files.length) return;
    event.preventDefault();
    form.removeAttribute("data-over");
    take(form, event.dataTransfer.files);
  });
  addEventListener("paste", (event) => {
    const files = [...event.clipboardData.files];
    const form = document.activeElement?.closest("form[data-edit=upload]") || takers()[0];
    if (!files.length || !form) return;
    event.preventDefault();
    take(form, files);
  });
  return queue;
}
