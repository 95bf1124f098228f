// The start box: set up, lead-in, hold, go, stopwatch. Core draws the hold and reads the taps; here is what runs with the clock.
import * as core from "./core.js";
import { boxesOf, clear, isDirty, setWatch } from "./entry.js";
import { atServer, now, session } from "./here.js";
import { live } from "./queue.js";
import { say, token } from "./requests.js";
import { enqueue, flush } from "./sending.js";
import { box, drawCards, drawGauge, drawLane, part, placeAt, put } from "./start-look.js";
import { change, drawSetting, fromMove, isPad, saySound, setting, ways } from "./start-setup.js";
import { beep, clapAt, hush, speak, wake } from "./start-sound.js";

// The whole screen says GO for so long before the watch is shown; a tap meanwhile counts.
const GO_SHOWN = 700;
let start = null;
let frame = "";
let timer = 0;
let unclap = () => {};

const own = crypto.randomUUID?.() ?? String(Math.random());
function show(name) {
  frame = name;
  box().dataset.step = name;
  for (const section of box().querySelectorAll("[data-frame]")) section.hidden = section.dataset.frame !== name;
}

// ---- set up

function setUp() {
  window.clearTimeout(timer);
  start = { ...start, move: NaN, taps: [], go: null, goes: null, resting: false };
  show("setup");
  box().scrollTop = 0;
  drawSetting(start.setting);
  saySound();
  const { usual, reactions } = start;
  put("own", reactions.length === 0 ? "" : `${start.name.split(" ")[0]}'s last ${reactions.length === 1 ? "reaction" : `${reactions.length} reactions`}: ${usual ? `${usual.least.toFixed(2)} to ${usual.most.toFixed(2)} s` : reactions.map((r) => r.toFixed(2)).join(", ")}`);
  box().querySelector('[data-do="start"]').focus({ preventScroll: true });
}

/** Opens the start box for whoever is on the line. */
function open() {
  const form = document.getElementById("t-entry");
  if (!form) return;
  const of = (name) => form.elements[name]?.value;
  start = { athlete: of("athlete"), line: of("line"), rep: of("rep"), name: form.querySelector('[data-f="name"]').textContent, places: [], marks: [], reactions: [], setting: { leadSeconds: 10, holdLeast: 1, holdMost: 2.5 } };
  put("name", start.name);
  put("work", [live().querySelector(".t-item h1")?.textContent, live().querySelector(".t-rep")?.textContent.replace(/\s+/g, " ").trim(), boxesOf(form).filter((b) => b.name === "mark").at(-1)?.dataset.label].filter(Boolean).join(", "));
  const position = live().querySelector("[data-startbox]")?.dataset.startbox || "standing";
  for (const pose of box().querySelectorAll("[data-pose]")) pose.toggleAttribute("hidden", !pose.dataset.pose.split(" ").includes(position));
  if (!box().open) box().showModal();
  look();
  setUp();
}

// What Core knows of the start; until it is there nothing can be started.
function look() {
  const sight = core.startOf(start.athlete, start.line);
  const go = box().querySelector('[data-do="start"]');
  go.disabled = !sight;
  part("waits").hidden = Boolean(sight);
  if (sight) start = { ...start, ...sight };
}

// ---- from the press to the go

async function begin() {
  await wake();
  saySound();
  const value = setting(start.setting);
  start = { ...start, move: NaN, taps: [], go: null, setAt: performance.now() + value.lead * 1000, lead: value.lead, goes: null };
  if (ways().voice) speak("On your marks");
  put("padsays", isPad() ? "Hand on this screen, or a key held, before “set”." : "");
  show("lead");
  window.requestAnimationFrame(leadIn);
  navigator.wakeLock?.request("screen").catch(() => {});
}

function leadIn() {
  if (frame !== "lead") return;
  const left = (start.setAt - performance.now()) / 1000;
  put("count", String(Math.max(1, Math.ceil(left))));
  part("shrink").value = Math.max(0, left / start.lead);
  if (isPad()) put("padsays", start.resting ? "On the pad. Be still." : "Hand on this screen, or a key held, before “set”.");
  if (left > 0) { window.requestAnimationFrame(leadIn); return; }
  if (isPad() && !start.resting) { callBack("Nobody was on the pad at “set”."); return; }
  hold();
}

// Drawn only now, so that nothing before it can tell when the go comes.
function hold() {
  const value = setting(start.setting);
  const [draw] = crypto.getRandomValues(new Uint32Array(1));
  start.goes = performance.now() + core.startHold(value.least, value.most, draw) * 1000;
  show("hold");
  if (ways().voice) speak("Set");
  if (ways().clap) unclap = clapAt(start.goes);
  window.requestAnimationFrame(wait);
}

function wait() {
  if (frame !== "hold") return;
  if (performance.now() < start.goes - 4) { window.requestAnimationFrame(wait); return; }
  start.go = start.goes;
  if (ways().flash) show("go");
  else { frame = "go"; }
  if (ways().shake) navigator.vibrate?.(350);
  tellOthers();
  timer = window.setTimeout(watch, ways().flash ? GO_SHOWN : 0);
}

/** Other devices on the session have the go too, so that a helper further on can tap. */
function tellOthers() {
  const body = JSON.stringify({ own, athlete: Number(start.athlete), line: Number(start.line), rep: Number(start.rep), name: start.name, at: Math.round(atServer(Date.now() - (performance.now() - start.go))) });
  fetch(`/live/${session()}/go`, { method: "POST", headers: { "Content-Type": "application/json", RequestVerificationToken: token() }, body }).catch(() => {});
}

function callBack(why) {
  window.clearTimeout(timer);
  unclap();
  hush();
  beep(330);
  setUp();
  if (why) { part("waits").hidden = false; put("waits", why); }
}

// ---- the pad: what rests on the screen or on a key leaves it with the first movement

function rest(isDown) {
  if (!start || !isPad()) return;
  if (isDown) { start.resting = true; return; }
  if (!start.resting) return;
  start.resting = false;
  if (frame === "hold" || ((frame === "go" || frame === "watch") && Number.isNaN(start.move))) moved(performance.now());
}

function moved(at) {
  start.move = at;
  const word = read(start.go ?? start.goes);
  if (word?.isFalse) { falseStart(word); return; }
  if (frame === "watch") draw();
}

function falseStart(word) {
  window.clearTimeout(timer);
  unclap();
  put("early", Math.abs(word.reaction).toFixed(3));
  put("earlysays", word.reaction < 0 ? "s before GO" : "s after GO");
  put("who", `${start.name}. Under 0.100 s nobody can have heard it.`);
  drawGauge(word.reaction, start.usual);
  // What was not said yet is not said any more: the go of a run that is let go is when it was to be.
  start.go ??= start.goes;
  show("false");
  beep(330);
  box().querySelector('[data-frame="false"] [data-do="back"]').focus();
}

// ---- the stopwatch

const read = (go) => core.startRead(start.athlete, start.line, fromMove(), go, start.move, start.taps);

function watch() {
  show("watch");
  part("react").hidden = !isPad();
  put("apart", start.apart ?? "");
  draw();
  box().querySelector('[data-do="tap"]').focus();
  window.requestAnimationFrame(run);
}

function run() {
  if (frame !== "watch") return;
  const first = fromMove() && !Number.isNaN(start.move) ? start.move : start.go;
  const done = start.taps.length >= start.marks.length && start.marks.length > 0;
  const until = done ? start.taps.findLast((t) => !Number.isNaN(t)) ?? performance.now() : performance.now();
  put("clock", Math.max(0, (until - first) / 1000).toFixed(2));
  drawLane(start, start.taps.length, placeAt(start.places, (until - (Number.isNaN(start.move) ? start.go : start.move)) / 1000));
  if (!done) window.requestAnimationFrame(run);
}

function draw() {
  const word = read(start.go);
  const next = start.taps.length;
  const known = word.reaction !== undefined && word.reaction !== null;
  put("reaction", known ? word.reaction.toFixed(2) : "–");
  put("usual", start.usual ? `band: own last ${start.reactions.length} starts, ${start.usual.least.toFixed(2)} to ${start.usual.most.toFixed(2)}` : "");
  drawGauge(known ? word.reaction : null, start.usual);
  put("counted", word.watch === 2 ? "from the first movement" : known ? `from GO: ${word.reaction.toFixed(2)} reaction, the rest running` : "from GO");
  drawCards(word, start.taps, next);
  const over = next >= start.marks.length;
  put("tap", over ? `Put the ${start.marks.length === 1 ? "time" : "times"} in` : `Tap ${start.marks[next].label}`);
  box().querySelector('[data-do="untap"]').disabled = next === 0;
  box().querySelector('[data-do="missed"]').disabled = over;
  put("stop", over ? "Throw away" : "Stop");
}

function tap(at = performance.now()) {
  if (frame === "go" && start.go) { start.taps.push(at); return; }
  if (start.taps.length >= start.marks.length) { finish(); return; }
  start.taps.push(at);
  draw();
  if (start.taps.length >= start.marks.length) run();
}

/** The times go into the boxes as if typed; where another athlete is on the line by now, they are saved for the one who ran. */
async function finish() {
  const word = read(start.go);
  const form = document.getElementById("t-entry");
  const reaction = word.reaction === undefined || word.reaction === null ? "" : String(word.reaction);
  const watchOf = word.watch === 2 ? "move" : "go";
  box().close();
  if (word.boxes.length === 0) { say("Nothing was tapped, so there is no time."); return; }
  if (form && form.elements.athlete.value === start.athlete && form.elements.line.value === start.line && !(isDirty(form) && form.elements.rep.value !== start.rep)) {
    clear(form);
    // What was tapped is not what the gates saw; their report waits.
    form.querySelector("[data-gate]")?.remove();
    setWatch(form, watchOf, reaction);
    const marks = boxesOf(form).filter((b) => b.name === "mark");
    marks.forEach((b, i) => { b.value = word.boxes[i] ?? ""; b.dataset.manual = "yes"; });
    if (start.warned) { const words = form.querySelector(".own-words"); if (words) words.value = "false start, warned"; }
    marks[0].dispatchEvent(new InputEvent("input", { bubbles: true, inputType: "insertReplacementText" }));
    form.dataset.at = String(Date.now());
    form.querySelector(".t-save").focus({ preventScroll: true });
    return;
  }
  await enqueue(`${live().dataset.url}?handler=Save`, [["athlete", start.athlete], ["line", start.line], ["rep", start.rep], ...word.boxes.map((b) => ["mark", b || "-"]), ["watch", watchOf], ["reaction", reaction], ["part", word.boxes.includes("") ? "GateMissed" : "Unsaid"]], "save");
  say(`Saved for ${start.name}, by hand.`);
  flush();
}

// Without a tap the times are the gates' or nobody's; the reaction is kept apart from them all the same.
function leave() {
  const form = document.getElementById("t-entry");
  const word = read(start.go);
  const isSame = form && form.elements.athlete.value === start.athlete && form.elements.line.value === start.line;
  if (start.taps.every(Number.isNaN) && isSame && word.reaction !== undefined && word.reaction !== null) { setWatch(form, "", String(word.reaction)); say(`Reaction ${word.reaction.toFixed(2)} s is kept with ${start.name}'s next time.`); }
  box().close();
}

// ---- a go on another device

let heardGo = null;

/** A start on another device: this one may tap along. */
export function hearGo(told) {
  if (told.own === own || box()?.open) return;
  heardGo = told;
  const bar = document.getElementById("t-heard");
  if (!bar) return;
  bar.querySelector("b").textContent = told.name;
  bar.hidden = false;
  window.clearTimeout(bar.dataset.timer);
  bar.dataset.timer = String(window.setTimeout(() => { bar.hidden = true; }, 30000));
}

function tapAlong() {
  document.getElementById("t-heard").hidden = true;
  const sight = core.startOf(heardGo.athlete, heardGo.line);
  if (!sight) { say("The stopwatch comes with Core on this device, which is still on its way."); return; }
  start = { ...sight, athlete: String(heardGo.athlete), line: String(heardGo.line), rep: String(heardGo.rep), name: heardGo.name, taps: [], move: NaN, go: performance.now() - (now() - heardGo.at), apart: "GO came from another device: the clocks of two devices agree to a few hundredths of a second." };
  part("pad").checked = false;
  put("name", start.name);
  put("work", "");
  if (!box().open) box().showModal();
  watch();
}

// ---- presses

const ACTS = {
  close: () => box().close(),
  start: begin,
  back: () => callBack(),
  warn: () => { start.warned = true; watch(); },
  letgo: watch,
  tap: () => tap(),
  untap: () => { start.taps.pop(); draw(); run(); },
  missed: () => { start.taps.push(NaN); draw(); },
  stop: () => { if (start.taps.length >= start.marks.length || start.taps.every(Number.isNaN)) leave(); else finish(); },
};

document.addEventListener("click", (event) => {
  if (event.target.closest?.("[data-startbox]")) { open(); return; }
  if (event.target.closest?.("[data-tapalong]")) { tapAlong(); return; }
  const step = event.target.closest?.("#t-start [data-of]");
  if (step) { change(start.setting, step.dataset.of, Number(step.dataset.by)); return; }
  const act = event.target.closest?.("#t-start [data-do]")?.dataset.do;
  // A tap counts when the finger comes down; a click that a key made has no finger.
  if (act && !(act === "tap" && event.detail > 0)) ACTS[act]();
});

document.addEventListener("pointerdown", (event) => {
  const dialog = event.target.closest?.("#t-start");
  if (!dialog) return;
  if (isPad() && ["lead", "hold"].includes(frame) && !event.target.closest("[data-do]")) { rest(true); return; }
  if (frame === "hold") { callBack(); return; }
  if (frame === "go" || (frame === "watch" && (event.target.closest('[data-do="tap"]') || !event.target.closest("[data-do]")))) { event.preventDefault(); if (start.taps.length < start.marks.length || event.target.closest('[data-do="tap"]')) tap(); }
});
for (const name of ["pointerup", "pointercancel"]) document.addEventListener(name, () => rest(false));
document.addEventListener("contextmenu", (event) => { if (event.target.closest?.("#t-start")) event.preventDefault(); });

document.addEventListener("keydown", (event) => {
  if (!box()?.open || event.ctrlKey || event.metaKey || event.altKey) return;
  const key = event.key.toLowerCase();
  if (isPad() && ["lead", "hold"].includes(frame) && key.length === 1) { event.preventDefault(); rest(true); return; }
  if (key === "escape") {
    event.preventDefault();
    if (frame === "setup") box().close();
    else if (frame === "watch") ACTS.stop();
    else callBack();
  } else if (frame === "hold" && key === " ") { event.preventDefault(); callBack(); }
  else if ((frame === "watch" || frame === "go") && !event.repeat) {
    const act = { " ": "tap", backspace: "untap", m: "missed" }[key];
    if (act && !(act === "untap" && start.taps.length === 0)) { event.preventDefault(); ACTS[act](); }
  }
});
document.addEventListener("keyup", (event) => { if (box()?.open && event.key.length === 1) rest(false); });
document.addEventListener("core-ready", () => { if (box()?.open && frame === "setup") look(); });
window.addEventListener("blur", () => rest(false));
