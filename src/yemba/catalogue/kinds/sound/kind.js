// Recordings: play, back, forward, speed and place by buttons and keys; one that plays goes on, in a bar at the foot of the
// window, while the visitor goes to other pages of the site. Without this script the browser's own player stands there.
const KEPT = "sound";
const SPEEDS = [0.75, 1, 1.25, 1.5, 2];
const EVERY = 1000; // ms between two notes of where a recording stands

const clock = (seconds) => {
  const whole = Math.floor(Number.isFinite(seconds) ? seconds : 0);
  const two = (number) => `${number}`.padStart(2, "0");
  const hours = Math.floor(whole / 3600);
  return `${hours ? `${hours}:` : ""}${hours ? two(Math.floor(whole / 60) % 60) : Math.floor(whole / 60)}:${two(whole % 60)}`;
};

const element = (name, attributes, words = "") => {
  const made = document.createElement(name);
  for (const [key, value] of Object.entries(attributes)) made.setAttribute(key, value);
  made.textContent = words;
  return made;
};

// The controls of one recording; `says` are their words.
function controls(audio, says) {
  const play = element("button", { type: "button", class: "play" });
  const back = element("button", { type: "button", "aria-label": says.back }, "\u221215");
  const forward = element("button", { type: "button", "aria-label": says.forward }, "+30");
  const place = element("input", { type: "range", min: 0, max: 1, step: 1, value: 0, "aria-label": says.place });
  const time = element("span", { class: "time" });
  const speed = element("select", { "aria-label": says.speed });
  for (const rate of SPEEDS) speed.append(new Option(`${rate} \u00d7`, rate, rate === 1, rate === audio.playbackRate));
  const draw = () => {
    play.textContent = audio.paused ? "\u25b6" : "\u275a\u275a";
    play.setAttribute("aria-label", `${audio.paused ? says.play : says.pause}: ${says.title}`);
    const length = Number.isFinite(audio.duration) ? audio.duration : 0;
    place.max = Math.max(1, Math.floor(length));
    place.value = Math.floor(audio.currentTime);
    place.setAttribute("aria-valuetext", clock(audio.currentTime));
    time.textContent = length ? `${clock(audio.currentTime)} / ${clock(length)}` : clock(audio.currentTime);
    speed.value = audio.playbackRate;
  };
  const move = (by) => {
    audio.currentTime = Math.min(Math.max(0, audio.currentTime + by), audio.duration || Number.MAX_VALUE);
  };
  play.addEventListener("click", () => (audio.paused ? audio.play() : audio.pause()));
  back.addEventListener("click", () => move(-15));
  forward.addEventListener("click", () => move(30));
  place.addEventListener("input", () => {
    audio.currentTime = Number(place.value);
  });
  speed.addEventListener("change", () => {
    audio.playbackRate = Number(speed.value);
  });
  for (const name of ["play", "pause", "timeupdate", "durationchange", "seeked", "ratechange", "ended"])
    audio.addEventListener(name, draw);
  draw();
  return [play, back, forward, place, time, speed];
}

let noted = 0;
const note = (audio, says) => {
  const state = { src: audio.src, at: audio.currentTime, rate: audio.playbackRate, says };
  sessionStorage.setItem(KEPT, JSON.stringify(state));
};
const forget = () => sessionStorage.removeItem(KEPT);

// Where a recording stands is noted while it plays, and forgotten once it is stopped.
function remembered(audio, says) {
  audio.addEventListener("timeupdate", () => {
    if (audio.paused || Date.now() - noted < EVERY) return;
    noted = Date.now();
    note(audio, says);
  });
  audio.addEventListener("play", () => {
    for (const other of document.querySelectorAll("audio")) if (other !== audio) other.pause();
    note(audio, says);
  });
  audio.addEventListener("pause", () => !document.hidden && forget());
  audio.addEventListener("ended", forget);
  addEventListener("pagehide", () => !audio.paused && note(audio, says));
}

function goOn(audio, { at, rate }) {
  audio.defaultPlaybackRate = rate; // loading puts the other back to it
  audio.addEventListener("loadedmetadata", () => {
    audio.currentTime = at;
  });
  audio.load();
  audio.play().catch(() => audio.pause()); // a browser that plays nothing unasked leaves its button to be pressed
}

const kept = JSON.parse(sessionStorage.getItem(KEPT) || "null");
const here = [...document.querySelectorAll("[data-player]")].map((player) => {
  const audio = player.querySelector("audio");
  const says = { ...player.dataset };
  audio.controls = false;
  player.append(...controls(audio, says));
  remembered(audio, says);
  return audio;
});
if (kept) {
  const same = here.find((audio) => audio.src === kept.src);
  if (same) goOn(same, kept);
  else {
    const bar = element("div", { class: "player player-bar", role: "region", "aria-label": kept.says.title });
    const audio = element("audio", { src: kept.src });
    const close = element("button", { type: "button", "aria-label": kept.says.close }, "\u00d7");
    close.addEventListener("click", () => {
      audio.pause();
      forget();
      bar.remove();
    });
    bar.append(audio, element("span", { class: "title" }, kept.says.title), ...controls(audio, kept.says), close);
    document.body.append(bar);
    remembered(audio, kept.says);
    goOn(audio, kept);
  }
}
