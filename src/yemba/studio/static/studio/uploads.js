// Taking files in: chosen, dropped or pasted, one after the other, with the progress of each.
import { sentence } from "./sentence.js";

export function uploads(desk, body, settle) {
  const upload = (form, file) =>
    new Promise((resolve) => {
      const line = document.createElement("li");
      const bar = document.createElement("progress");
      bar.max = 1;
      bar.setAttribute("aria-label", file.name);
      line.append(file.name, bar);
      form.querySelector(".uploads").append(line);
      const data = body(form);
      data.set("file", file, file.name);
      const request = new XMLHttpRequest();
      request.open("POST", form.getAttribute("action"));
      request.setRequestHeader("Accept", "application/json");
      request.responseType = "json";
      request.upload.addEventListener("progress", (event) => {
        if (event.lengthComputable) bar.value = event.loaded / event.total;
        if (event.loaded === event.total) line.append(` ${sentence("being_read")}`);
      });
      request.addEventListener("loadend", () => {
        line.remove();
        resolve(
          request.response || {
            error: { sentence: sentence("not_arrived", { name: file.name }), field: "file" },
          },
        );
      });
      request.send(data);
    });

  async function take(form, files) {
    const wrong = [];
    for (const file of form.querySelector("[type=file]").multiple ? [...files] : [...files].slice(0, 1)) {
      const answer = await upload(form, file);
      if (answer.error) wrong.push(answer.error.sentence);
      else await settle(answer);
    }
    const now = document.getElementById(form.id) || form;
    const fault = now.querySelector(".fault");
    fault.textContent = wrong.join(" ");
    fault.toggleAttribute("data-keep", wrong.length > 0); // a panel that comes after what did arrive leaves it
    now.querySelector("[type=file]").value = "";
  }

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
}
