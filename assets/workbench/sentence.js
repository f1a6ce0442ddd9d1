// Words come from the server; scripts fill in the values.
const SENTENCES = JSON.parse(document.getElementById("windows").textContent).sentences;

export const sentence = (key, values = {}) => SENTENCES[key].replace(/\{(\w+)\}/g, (_, name) => values[name]);
