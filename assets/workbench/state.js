// What all modules of the workbench share: what the server told at first, and how things stand now.
export const config = JSON.parse(document.getElementById("windows").textContent);
export const bench = document.getElementById("workbench");
export const at = (path) => `${config.address}${path}/`;

export const state = {
  revision: config.revision, // the last that was heard of
  shown: config.revision, // the one that the desk shows: what its owner saw
  chapter: config.chapter,
  page: config.page, // the one page in view
  pages: config.pages,
  links: config.links, // what words can lead to, as pairs of value and name
  gesture: "", // the name under which what is moved by hand becomes one edit
  moving: false,
  afterOnly: false, // in the proof both windows show what comes after, wide and on a phone
  writing: false, // words are being written in a window, which keeps the focus
};

// Whether the wide window shows the live site, and the other one what comes after it.
export const liveBeside = () => state.chapter === "proof" && config.live && !state.afterOnly;

// Whether letters that are typed go into it.
export function typing(target) {
  return target.closest?.(
    "input:not([type=range]):not([type=radio]):not([type=checkbox]), textarea, select, [contenteditable]",
  );
}
