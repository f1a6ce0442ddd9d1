// What all modules of the workbench share: what the server told at first, and how things stand now.
export const told = JSON.parse(document.getElementById("windows").textContent);
export const bench = document.getElementById("workbench");
export const at = (path) => `${told.address}${path}/`;

export const state = {
  revision: told.revision,
  chapter: told.chapter,
  page: told.page, // the one page in view
  pages: told.pages,
  gesture: "", // the name under which what is moved by hand becomes one edit
  moving: false,
  writing: false, // words are being written in a window, which keeps the focus
};

export const proofing = () => state.chapter === "proof" && told.live;
