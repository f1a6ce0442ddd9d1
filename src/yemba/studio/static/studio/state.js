// What all modules of the workbench share: what the server told at first, and how things stand now.
export const told = JSON.parse(document.getElementById("windows").textContent);
export const bench = document.getElementById("workbench");
export const at = (path) => `${told.address}${path}/`;

export const state = {
  revision: told.revision, // the last that was heard of
  shown: told.revision, // the one that the desk shows: what its owner saw
  chapter: told.chapter,
  page: told.page, // the one page in view
  pages: told.pages,
  links: told.links, // what words can lead to, as pairs of value and name
  gesture: "", // the name under which what is moved by hand becomes one edit
  moving: false,
  afterOnly: false, // in the proof both windows show what comes after, wide and on a phone
  writing: false, // words are being written in a window, which keeps the focus
};

// Whether the wide window shows the live site, and the other one what comes after it.
export const liveBeside = () => state.chapter === "proof" && told.live && !state.afterOnly;

// Whether letters that are typed go into it.
export function typing(target) {
  return target.closest?.(
    "input:not([type=range]):not([type=radio]):not([type=checkbox]), textarea, select, [contenteditable]",
  );
}
