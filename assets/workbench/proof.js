// The proof: what goes out, the places touched one after the other, every page measured; a plan shows its template.
import { ask } from "./ask.js";
import { measure } from "./measure.js";
import { oneInFlight } from "./one_in_flight.js";
import * as panels from "./panels.js";
import { sentence } from "./sentence.js";
import { recall, stream } from "./showing.js";
import { at, bench, config, liveBeside, state } from "./state.js";
import { choose, showPage } from "./view.js";
import { windows } from "./windows.js";

const HELD_BACK = `yemba-held-back:${config.person}:${config.site}`;
const boxes = () => [...document.querySelectorAll("[name=goes]")];

// What a desk wants as soon as it stands.
let measuring = null;
let planned = false;
export function deskShown() {
  mode();
  asVisitors();
  const plan = document.querySelector("#desk [data-stream-now]");
  if (plan) stream(plan);
  else if (planned) recall();
  planned = Boolean(plan);
  measuring?.();
  measuring = state.chapter === "proof" ? measure(config, touchedPages(), at, checked) : null;
  untick();
  steps();
}

function checked(html) {
  panels.morph(document.getElementById("checks"), html);
  if (boxes().length) choosing();
}

// Where nothing waits, or nothing was ever live, all pages are measured.
function touchedPages() {
  const marked = state.pages.filter(({ id }) => document.querySelector(`[data-map="${id}"].is-touched`));
  return marked.length ? marked : state.pages;
}

// What waits for a picture or a page has its place in a draft alone: a proof shows what goes out.
export function asVisitors() {
  windows.say({ type: "as-visitors", on: state.chapter === "proof" });
}

// Beside the draft stands the live site; before the first publishing there is nothing to set beside it.
function mode() {
  if (state.chapter !== "proof") state.afterOnly = false;
  if (!document.querySelector(".pane-wide").checkVisibility()) state.afterOnly = true; // a phone has room for one
  const proof = Boolean(liveBeside());
  document.getElementById("pair").hidden = state.chapter !== "proof" || !config.live;
  if (bench.classList.contains("is-proof") === proof) return;
  bench.classList.toggle("is-proof", proof);
  document.querySelector("#wide-label b").textContent = sentence(proof ? "live_now" : "wide");
  document.querySelector(".ruler-phone b").textContent = sentence(proof ? "after_publishing" : "phone");
  document.getElementById("pair").textContent = sentence(proof ? "wide_and_phone" : "live_beside");
  const { wide, phone } = config.limits;
  resize({ wide, phone: proof ? wide : phone });
  showPage(state.page, { desk: false });
}

// Both windows after publishing, or the live site beside it.
export function pair(afterOnly) {
  if (state.chapter !== "proof" || !config.live || state.afterOnly === afterOnly) return;
  state.afterOnly = afterOnly;
  mode();
  if (boxes().length) choosing();
}

export function resize(widths) {
  for (const [name, width] of Object.entries(widths))
    document.getElementById(`${name}-width`).value = windows.setWidth(name, width);
}

// What was unticked stays so in this window until it went out or is ticked again, whatever desk stands between.
const heldBack = () => JSON.parse(sessionStorage.getItem(HELD_BACK) ?? "[]");
function untick() {
  const back = heldBack();
  for (const box of boxes()) box.checked = !back.includes(box.value);
  if (boxes().some((box) => !box.checked)) choosing();
}

export function ticked() {
  const back = boxes().filter((box) => !box.checked);
  sessionStorage.setItem(HELD_BACK, JSON.stringify(back.map((box) => box.value)));
  choosing();
}

// What is ticked is what the window "After publishing" shows.
const proofed = oneInFlight(async (query) => {
  const answer = await ask(`${at("state")}?${query}`);
  if (answer.patch) windows.say({ type: "patch", patch: answer.patch }, liveBeside() ? "wide" : "");
  const along = document.getElementById("along");
  if (along)
    along.textContent =
      answer.sentence || (answer.along?.length ? sentence("along", { names: answer.along.join(", ") }) : "");
});

function findings() {
  const count = Number(document.getElementById("checks").dataset.findings);
  if (!count) return "";
  return ` · ${sentence(count === 1 ? "one_finding" : "findings", { count })}`;
}

// What is unticked can be taken back too, in one edit.
function takeBack(unticked) {
  document.getElementById("back-unticked-button").hidden = !unticked.length;
  document.getElementById("back-unticked-keys").replaceChildren(
    ...unticked.map((box) => {
      const key = document.createElement("input");
      Object.assign(key, { type: "hidden", name: "key", value: box.value });
      return key;
    }),
  );
}

export function choosing() {
  const going = boxes().filter((box) => box.checked);
  const button = document.getElementById("publish-button");
  const counts = { ticked: going.length, count: boxes().length };
  const every = counts.count === 1 ? "publish_one" : "publish_all";
  const words = sentence(counts.ticked === counts.count ? every : "publish_some", counts);
  button.textContent = words + findings();
  button.disabled = counts.ticked === 0;
  takeBack(boxes().filter((box) => !box.checked));
  const goes = going.map((box) => ["goes", box.value]);
  proofed(new URLSearchParams([["page", state.page], ["goes", ""], ...goes]));
}

// What a window that comes late is to show on this desk, where that is not simply the draft.
export function showsOtherwise() {
  const plan = document.querySelector("#desk [data-stream-now]");
  if (plan) stream(plan);
  else if (boxes().some((box) => !box.checked)) choosing();
  else return false;
  return true;
}

// The places touched, one after the other.
let step = -1;
const stops = () => [...document.querySelectorAll("#desk [data-place][data-go]")];
function steps() {
  step = -1;
  const count = stops().length;
  const line = document.getElementById("place-said");
  if (line) line.textContent = count ? sentence("places", { count }) : "";
}

export function visit(stop) {
  if (!stop) return;
  const every = stops();
  step = every.indexOf(stop);
  const line = document.getElementById("place-said");
  if (line) line.textContent = sentence("place", { number: step + 1, count: every.length, name: stop.textContent });
  pair(true); // a place is looked at wide and on a phone at once
  if (stop.dataset.go !== state.page) showPage(stop.dataset.go);
  choose({ place: stop.dataset.place });
}

export function visitNext(by) {
  const every = stops();
  visit(every[(step + by + every.length) % every.length]);
}
