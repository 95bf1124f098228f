// Film: a clip is opened from the device, stepped and marked; Core on the device says what the marks mean. The picture is read, never sent.
import * as core from "./core.js";
import { Clip } from "./film-clip.js";
import { Marks } from "./film-marks.js";
import { drawGauges, drawOver, drawSteps, drawTime, html, unitOf } from "./film-draw.js";
import { Placing } from "./film-place.js";
import { beside } from "./film-beside.js";

const root = document.querySelector("[data-film]");
const find = (css) => root.querySelector(css);
const all = (css) => [...root.querySelectorAll(css)];
const JOINTS = JSON.parse(root.dataset.joints);
const RATE = "inchburst-film-rate";
const SAVING = "inchburst-film-saving";
const SLOW = 0.25;
const STILL = 640;

const clip = new Clip(find("video"));
const marks = new Marks();
const placing = new Placing({ stage: find("[data-stage]"), video: clip.video, loupe: find("[data-loupe]"), tell: find("[data-ask]"), changed: () => draw() });
let sight = null;
let timeline = null;
let phase = "Upright";
let moment = null;
let isGoal = true;
let side = null;
let isReady = false;
let own = null;
const isNarrow = () => matchMedia("(max-width: 700px)").matches;

const say = (text) => { find("[data-said]").textContent = text; };
const wrong = (name, text) => { const el = find(`[data-wrong="${name}"]`); if (el) el.textContent = text; };

/** Asks Core, and draws what it says. */
function draw() {
  if (!clip.isOpen && !isReady) return;
  const frame = clip.isOpen ? clip.at(clip.shown) : { number: 0, seconds: 0, gap: marks.now.clip.seconds / (marks.now.clip.frames - 1) };
  sight = core.film(marks.now, frame, phase) ?? sight;
  if (!sight) return;
  const body = marks.bodyOn(frame.number);
  moment = body?.moment ?? sight.moment;
  for (const el of all("[data-s]")) el.textContent = sight[el.dataset.s];
  drawPicture();
  drawTimeline();
  drawSteps(find("[data-steps]"), sight, frame.number, (n) => clip.show(n));
  find("[data-no-steps]").hidden = sight.rows.length > 0;
  find("[data-speed]").textContent = sight.speed;
  drawGauges(find("[data-gauges]"), sight.angles);
  for (const b of all("[data-moment]")) { b.setAttribute("aria-pressed", String(b.dataset.moment === moment)); b.disabled = !body; }
  list("[data-problems]", sight.problems, (text) => html("li", "", text));
  list("[data-splits]", sight.splits, (s) => { const li = html("li"); li.append(html("span", "", s.name), html("b", "figure", s.seconds), html("span", "muted", s.speed)); return li; });
  drawLines();
  find("[data-times]").hidden = sight.splits.length === 0 || root.querySelector("#film-run").value === "";
  drawSuggestion();
  for (const el of all("[data-foot]")) el.textContent = `${side ?? sight[el.dataset.foot]} foot`;
  for (const [key, isDown] of [["down", true], ["up", false]]) for (const b of all(`[data-do="${key}"]`)) b.setAttribute("aria-pressed", String(marks.now.feet.some((f) => f.frame.number === frame.number && f.isDown === isDown)));
  for (const b of all("[data-do=undo]")) b.disabled = !marks.canUndo;
  for (const b of all("[data-needs-marks]")) b.disabled = marks.isEmpty;
  const range = find("[data-range]");
  [range.max, range.value] = [clip.isOpen ? clip.times.length - 1 : 0, frame.number];
  range.setAttribute("aria-valuetext", `${sight.frame}, ${sight.time}`);
  find("[data-joints-here]").textContent = body ? `${Object.keys(body.joints).length} of ${JOINTS.length} joints marked on this frame` : "";
}

function drawPicture() {
  const svg = find("[data-over]");
  if (!clip.isOpen) { svg.replaceChildren(); return; }
  follow();
  const shown = svg.getBoundingClientRect();
  const u = Math.max(clip.width / Math.max(1, shown.width), clip.height / Math.max(1, shown.height));
  // The part of the picture that is seen, in its px: tags stay inside it.
  svg.setAttribute("viewBox", `0 0 ${clip.width} ${clip.height}`);
  const [box, back] = [find("[data-stage]").getBoundingClientRect(), svg.getScreenCTM().inverse()];
  const [from, to] = [[box.left, box.top], [box.right, box.bottom]].map(([x, y]) => new DOMPoint(x, y).matrixTransform(back));
  const view = { left: Math.max(0, from.x), top: Math.max(0, from.y), right: Math.min(clip.width, to.x), bottom: Math.min(clip.height, to.y) };
  drawOver(svg, { view, most: isNarrow() ? 3 : 9, marks: marks.now, sight, frame: clip.shown, width: clip.width, height: clip.height, u, goals: find("[data-goals]"), isGoal, cross: placing.cross, pending: placing.pending });
}

// Nearer, the picture follows the runner along what is marked.
let zoom = 1;
let centre = null;
function follow() {
  const inner = find("[data-zoom]");
  if (zoom === 1 || !clip.isOpen) { inner.style.transform = ""; return; }
  const [wide, high] = [inner.parentElement.clientWidth, inner.parentElement.clientHeight];
  const by = Math.min(wide / clip.width, high / clip.height);
  const at = centre ?? runnerAt(clip.shown) ?? { x: clip.width / 2, y: clip.height * 0.6 };
  const [x, y] = [(wide - clip.width * by) / 2 + at.x * by, (high - clip.height * by) / 2 + at.y * by];
  const within = (to, room) => Math.min(0, Math.max(room - room * zoom, room / 2 - to * zoom));
  inner.style.transform = `translate(${within(x, wide)}px, ${within(y, high)}px) scale(${zoom})`;
}

/** Where the runner is on a frame, by what is marked before and after it. */
function runnerAt(n) {
  const known = new Map();
  for (const f of marks.now.feet) if (f.at) known.set(f.frame.number, { x: f.at.x, y: f.at.y - clip.height * 0.12 });
  for (const b of marks.now.bodies) if (b.joints.Hip) known.set(b.frame, b.joints.Hip);
  const all = [...known].sort((a, b) => a[0] - b[0]);
  if (all.length === 0) return null;
  const [before, after] = [all.filter(([f]) => f <= n).at(-1) ?? all[0], all.find(([f]) => f >= n) ?? all.at(-1)];
  if (before[0] === after[0]) return before[1];
  const share = (n - before[0]) / (after[0] - before[0]);
  return { x: before[1].x + (after[1].x - before[1].x) * share, y: before[1].y + (after[1].y - before[1].y) * share };
}

function nearer(by) {
  zoom = Math.min(4, Math.max(1, zoom * by));
  if (Math.abs(zoom - 1) < 0.01) zoom = 1;
  draw();
}

function drawTimeline() {
  const svg = find("[data-time]");
  timeline = drawTime(svg, { marks: marks.now, sight, frame: clip.shown, count: clip.isOpen ? clip.times.length : marks.now.clip.frames, width: Math.max(300, svg.parentElement.clientWidth), narrow: isNarrow() });
}

function list(css, values, make) {
  const el = find(css);
  el.replaceChildren(...values.map(make));
  el.hidden = values.length === 0;
}

function drawLines() {
  list("[data-lines]", [...marks.now.lines].sort((a, b) => a.frame.number - b.frame.number), (line) => {
    const li = html("li");
    const go = html("button", "film-go", `frame ${line.frame.number}`);
    const out = html("button", "film-go", "take out");
    for (const b of [go, out]) b.type = "button";
    go.addEventListener("click", () => clip.show(line.frame.number));
    out.setAttribute("aria-label", `Take out the line on frame ${line.frame.number}`);
    out.addEventListener("click", () => marks.line(line.frame, null));
    li.append(html("b", "", `${line.at.amount} ${unitOf(line.at.unit)}`), go, out);
    return li;
  });
}

let refused = "";
function drawSuggestion() {
  const box = find("[data-suggestion]");
  const s = sight.suggestion;
  box.hidden = !s || s.says === refused;
  if (box.hidden) { for (const field of all("[data-codes]")) field.value = ""; return; }
  find("[data-says]").textContent = s.says;
  for (const field of all("[data-codes]")) field.value = s.codes.join("\n");
  for (const field of all("[data-drill-names]")) field.value = s.drills.join("\n");
  const known = s.drills.map((name) => find("[data-drill-pictures]").content.querySelector(`[data-drill="${name}"]`)).filter(Boolean);
  find("[data-drills]").replaceChildren(...known.map((d) => document.importNode(d, true)));
  find("[data-add]").textContent = known.length === 1 ? "Add it" : `Add all ${known.length}`;
  find("[data-add]").disabled = known.length === 0 || find("[data-add]").dataset.none !== undefined;
}

/** Opens a file, asks what cannot be known, and begins. */
async function open(file) {
  const progress = find("[data-progress]");
  wrong("clip", "");
  progress.hidden = false;
  progress.firstElementChild.value = 0;
  try {
    if (!root.dataset.device) throw new Error("What works out the figures is still being built on the server. Reload this page in a minute.");
    await Promise.all([clip.open(file, (share) => { progress.firstElementChild.value = share; }), core.start(root.dataset.device)]);
    const known = core.filmClip(clip.times, clip.width, clip.height);
    if (!known) throw new Error("The frames of this clip do not follow each other in time.");
    // What this device was told of clips that say the same rate; asked again where nothing is known.
    const rates = remembered();
    const stated = Math.round((known.frames - 1) / known.seconds);
    if (rates[stated] && rates[stated] !== stated) known.shotRate = rates[stated];
    const again = marks.begin(known, root.dataset.speed, kept(known), `inchburst-film:${root.dataset.athlete}:${known.frames}:${known.width}x${known.height}:${known.seconds.toFixed(4)}`);
    // Figures that were kept are gone on with on their own clip only; another clip's are new ones.
    const form = find("form[data-save]");
    own ??= { film: form.elements.film.value, version: form.elements.version.value };
    [form.elements.film.value, form.elements.version.value] = kept(known) ? [own.film, own.version] : ["", "0"];
    root.dataset.open = "yes";
    isReady = true;
    zoom = 1;
    centre = null;
    find("[data-stage]").style.setProperty("--ratio", `${clip.width} / ${clip.height}`);
    const rate = find("[data-rate]");
    rate.value = marks.now.clip.shotRate ?? stated;
    find("[data-stated]").textContent = `the file says ${stated}`;
    find("[data-slow-ask]").hidden = stated > 65 || rates[stated] !== undefined || marks.now.clip.shotRate !== null;
    for (const [name, value] of [["cameraMetres", marks.now.cameraMetres], ["besideMetres", marks.now.besideMetres || null]]) find(`[data-camera="${name}"]`).value = value ?? "";
    // On a phone the picture fills its frame; what is beside it is reached by pulling.
    if (isNarrow()) { const s = find("[data-stage]"); zoom = Math.max(1, (s.clientHeight * clip.width) / (s.clientWidth * clip.height)); }
    say(again ? "Marks you made on this clip before are here again." : "");
    draw();
  } catch (error) {
    clip.close();
    delete root.dataset.open;
    wrong("clip", error.message);
  } finally { progress.hidden = true; }
}

const remembered = () => { try { return JSON.parse(localStorage.getItem(RATE)) ?? {}; } catch { return {}; } };

/** Marks that were kept before, where they belong to this very clip. */
function kept(known) {
  const before = root.dataset.marks && JSON.parse(root.dataset.marks);
  return before && before.clip.frames === known.frames && before.clip.width === known.width && Math.abs(before.clip.seconds - known.seconds) < 0.001 ? before : null;
}

function foot(isDown) {
  if (!clip.isOpen) return;
  const here = marks.now.feet.find((f) => f.frame.number === clip.frame && f.isDown === isDown);
  const then = clip.shown === clip.frame ? sight : core.film(marks.now, clip.at(), phase) ?? sight;
  const of = side ?? (isDown ? then.nextFoot : then.leavingFoot);
  marks.foot(clip.at(), of === "left" ? "Left" : "Right", isDown);
  side = null;
  if (isDown && !here && marks.now.scales.length > 0) askTip();
}

function askTip() {
  const frame = clip.frame;
  placing.ask("Tap the tip of the foot on the ground", (at) => marks.stand(frame, at), { canSkip: true });
}

function askJoint(from = null) {
  if (!clip.isOpen) return;
  const frame = clip.frame;
  const joints = marks.bodyOn(frame)?.joints ?? {};
  const index = from ?? JOINTS.findIndex((j) => !joints[j.name]);
  const joint = JOINTS[index];
  if (!joint) { placing.stop(); say("All joints are marked. Drag one to put it right."); return; }
  const next = () => { if (clip.frame === frame) askJoint(JOINTS.findIndex((j, i) => i > index && !marks.bodyOn(frame)?.joints[j.name]) >= 0 ? JOINTS.findIndex((j, i) => i > index && !marks.bodyOn(frame)?.joints[j.name]) : JOINTS.length); };
  placing.ask(`${joint.says} (${index + 1} of ${JOINTS.length})`, (at) => { marks.joint(frame, joint.name, at, phase, moment ?? "Flight"); next(); }, { canSkip: true, skipped: next });
}

function askScale() {
  if (!clip.isOpen) return;
  const frame = clip.frame;
  const before = marks.now.scales[0];
  placing.ask("Scale: tap one of two things on the lane", (from) => {
    placing.ask("Now the other", (to) => {
      placing.pending = [from, to];
      const metres = before ? before.metres : Number(find("[data-scale-metres]").value.replace(",", "."));
      if (!(metres > 0 && metres <= 1000)) { wrong("scale", "How far apart are they? In metres, such as 2."); find("[data-scale-metres]").focus(); waiting = { frame, from, to }; return; }
      setScale(frame, from, to, metres);
    }, { keep: [from] });
  });
}

let waiting = null;
function setScale(frame, from, to, metres) {
  if (Math.hypot(from.x - to.x, from.y - to.y) < 2) { wrong("scale", "The two marks lie on each other. Mark them again."); placing.stop(); return; }
  wrong("scale", "");
  waiting = null;
  placing.stop();
  marks.scale(frame, from, to, metres);
}

function addLine() {
  if (!clip.isOpen) return;
  const field = find("[data-line]");
  const read = /^\s*(\d+(?:[.,]\d+)?)\s*(m|yd|y|ft)?\s*$/i.exec(field.value);
  if (!read) { wrong("line", "Which line is it? Such as 10 or 10 yd."); field.focus(); return; }
  wrong("line", "");
  const unit = { y: "Yard", yd: "Yard", ft: "Foot" }[(read[2] ?? root.dataset.unit).toLowerCase()] ?? "Metre";
  marks.line(clip.at(), { amount: Number(read[1].replace(",", ".")), unit });
  field.value = "";
}

const acts = {
  back: () => clip.show(clip.frame - 1),
  on: () => clip.show(clip.frame + 1),
  farBack: () => clip.show(clip.frame - 10),
  farOn: () => clip.show(clip.frame + 10),
  first: () => clip.show(0),
  last: () => clip.show(clip.times.length - 1),
  down: () => foot(true),
  up: () => foot(false),
  turn: () => { const here = marks.now.feet.some((f) => f.frame.number === clip.frame); if (here) marks.turn(clip.frame); else { side = (side ?? sight.nextFoot) === "left" ? "right" : "left"; draw(); } },
  tip: () => { if (marks.landingOn(clip.frame)) askTip(); else say("Mark foot down on this frame first."); },
  joint: () => askJoint(),
  scale: askScale,
  line: () => { find("[data-line]").focus(); },
  addLine,
  goal: () => { isGoal = !isGoal; for (const b of all("[data-do=goal]")) b.setAttribute("aria-pressed", String(isGoal)); draw(); },
  play: () => { if (clip.isPlaying) { clip.show(clip.frame); return; } clip.play(SLOW / (((marks.now.clip.frames - 1) / marks.now.clip.seconds) / (marks.now.clip.shotRate ?? (marks.now.clip.frames - 1) / marks.now.clip.seconds)), draw).catch((error) => say(error.message)); },
  nearer: () => nearer(1.5),
  farther: () => nearer(1 / 1.5),
  undo: () => marks.undo(),
  skip: () => placing.skip(),
  stop: () => { waiting = null; placing.stop(); draw(); },
  notThis: () => { refused = sight.suggestion?.says ?? ""; draw(); },
  otherClip: () => find("[data-file]").click(),
};

const keys = { ",": "back", ".": "on", ArrowLeft: "back", ArrowRight: "on", "<": "farBack", ">": "farOn", PageUp: "farBack", PageDown: "farOn", Home: "first", End: "last", d: "down", u: "up", o: "turn", t: "tip", j: "joint", s: "scale", l: "line", g: "goal", " ": "play", z: "undo", "+": "nearer", "=": "nearer", "-": "farther" };

root.addEventListener("click", (event) => {
  const act = event.target.closest("[data-do]")?.dataset.do;
  if (!act || !(clip.isOpen || act === "otherClip")) return;
  event.preventDefault();
  acts[act]();
});

document.addEventListener("keydown", (event) => {
  if (!clip.isOpen || event.altKey || event.metaKey || (event.ctrlKey && event.key !== "z") || event.target.closest("input:not([type=range]), select, textarea")) return;
  if (placing.key(event)) { event.preventDefault(); return; }
  if (event.key === " " && event.target.closest("button, summary, a")) return;
  if (event.target.matches("[type=range]") && event.key.startsWith("Arrow")) return;
  const act = keys[event.key.length === 1 ? event.key.toLowerCase() : event.key];
  if (!act) return;
  event.preventDefault();
  acts[act]();
});

for (const field of all("[data-file]")) field.addEventListener("change", () => {
  if (field.files.length > 0) open(field.files[0]);
  // So that the same file can be chosen again.
  setTimeout(() => { field.value = ""; });
});
const stage = find("[data-stage]");
stage.addEventListener("dragover", (event) => event.preventDefault());
stage.addEventListener("drop", (event) => { event.preventDefault(); if (event.dataTransfer.files.length > 0) open(event.dataTransfer.files[0]); });
find("[data-range]").addEventListener("input", (event) => clip.show(Number(event.target.value)));
find("[data-rate]").addEventListener("change", (event) => {
  const value = Number(event.target.value.replace(",", "."));
  if (!(value >= 10 && value <= 2000)) { wrong("rate", "From 10 to 2000 frames a second."); return; }
  wrong("rate", "");
  const stated = Math.round((marks.now.clip.frames - 1) / marks.now.clip.seconds);
  marks.change((now) => { now.clip.shotRate = Math.round(value) === stated ? null : value; });
  remember(stated, value);
});
function remember(stated, value) {
  try { localStorage.setItem(RATE, JSON.stringify({ ...remembered(), [stated]: value })); } catch { /* asked again next time */ }
  find("[data-slow-ask]").hidden = true;
}
find("[data-rate-right]").addEventListener("click", () => { const stated = Math.round((marks.now.clip.frames - 1) / marks.now.clip.seconds); remember(stated, stated); });
for (const field of all("[data-camera]")) field.addEventListener("change", () => {
  const value = field.value.trim() === "" ? null : Number(field.value.replace(",", "."));
  const isSaid = value === null || (Number.isFinite(value) && (field.dataset.camera === "cameraMetres" ? value > 0 && value <= 1000 : value >= 0 && value <= 100));
  wrong(field.dataset.camera, isSaid ? "" : "In metres, such as 15.");
  if (isSaid) marks.change((now) => { now[field.dataset.camera] = field.dataset.camera === "besideMetres" ? value ?? 0 : value; });
});
find("[data-scale-metres]").addEventListener("change", (event) => {
  const metres = Number(event.target.value.replace(",", "."));
  if (!(metres > 0 && metres <= 1000)) { wrong("scale", "In metres, such as 2."); return; }
  wrong("scale", "");
  if (waiting) setScale(waiting.frame, waiting.from, waiting.to, metres);
  else if (marks.now.scales.length > 0) marks.change((now) => { for (const s of now.scales) s.metres = metres; });
});
find("[data-line]").addEventListener("keydown", (event) => { if (event.key === "Enter") { event.preventDefault(); addLine(); } });
find("[data-phase]").addEventListener("change", (event) => {
  phase = event.target.value;
  const body = marks.bodyOn(clip.frame);
  if (body) marks.judge(clip.frame, phase, body.moment); else draw();
});
for (const b of all("[data-moment]")) b.addEventListener("click", () => marks.judge(clip.frame, phase, b.dataset.moment));
find("#film-run").addEventListener("change", () => draw());
for (const tab of all("[data-tab]")) tab.addEventListener("click", () => { root.dataset.on = tab.dataset.tab; for (const t of all("[data-tab]")) t.setAttribute("aria-pressed", String(t === tab)); });
find("[data-time]").addEventListener("pointerdown", (event) => {
  if (!clip.isOpen) return;
  const svg = event.currentTarget;
  const go = (e) => clip.show(timeline.at((e.clientX - svg.getBoundingClientRect().left) * svg.viewBox.baseVal.width / svg.getBoundingClientRect().width));
  if (!isNarrow()) { go(event); return; }
  // On a phone the timeline runs under its line: it is pulled along.
  svg.setPointerCapture(event.pointerId);
  const [from, start] = [event.clientX, clip.frame];
  const pull = (e) => clip.show(Math.round(start + (from - e.clientX) / 5.6));
  svg.addEventListener("pointermove", pull);
  for (const end of ["pointerup", "pointercancel"]) svg.addEventListener(end, () => svg.removeEventListener("pointermove", pull), { once: true });
});
// Nearer, the picture is pulled along where nothing is to be marked.
placing.pulled = (dx, dy) => {
  if (zoom === 1) return;
  const by = Math.min(stage.clientWidth / clip.width, stage.clientHeight / clip.height) * zoom;
  const at = centre ?? runnerAt(clip.shown) ?? { x: clip.width / 2, y: clip.height * 0.6 };
  centre = { x: Math.min(clip.width, Math.max(0, at.x - dx / by)), y: Math.min(clip.height, Math.max(0, at.y - dy / by)) };
  draw();
};
// A joint that is there is put right by pulling it.
placing.canTake = (at, reach) => {
  const joints = marks.bodyOn(clip.frame)?.joints ?? {};
  const [name, from] = Object.entries(joints).map(([n, p]) => [n, p, Math.hypot(p.x - at.x, p.y - at.y)]).sort((a, b) => a[2] - b[2])[0] ?? [];
  return from && Math.hypot(from.x - at.x, from.y - at.y) <= reach ? (to) => { const b = marks.bodyOn(clip.frame); marks.joint(clip.frame, name, to, b.phase, b.moment); } : null;
};
// The picture of this frame, small, where the coach said to keep it.
function still() {
  const canvas = document.createElement("canvas");
  canvas.width = Math.min(STILL, clip.width);
  canvas.height = Math.round((clip.height * canvas.width) / clip.width);
  canvas.getContext("2d").drawImage(clip.video, 0, 0, canvas.width, canvas.height);
  return canvas.toDataURL("image/jpeg", 0.8).split(",")[1];
}

for (const form of all("form[data-save]")) form.addEventListener("submit", () => {
  form.elements.marks.value = JSON.stringify(marks.now);
  form.elements.phase.value = phase;
  try { sessionStorage.setItem(SAVING, marks.key); } catch { /* the draft stays */ }
  form.elements.frame.value = clip.frame;
  form.elements.still.value = find("#film-still").value === "Nobody" || !clip.isOpen ? "" : still();
});
// The draft of what was just saved goes; those of other clips stay.
if (root.dataset.saved) { try { localStorage.removeItem(sessionStorage.getItem(SAVING)); } catch { /* nothing was left */ } }

marks.onchange = draw;
clip.onframe = () => { if (runnerAt(clip.shown)) centre = null; placing.frame(clip.frame); draw(); };
new ResizeObserver(() => draw()).observe(find("[data-stage]"));
beside(root, clip, () => marks.now, () => sight);
window.addEventListener("pagehide", () => clip.close());
if (root.dataset.device) core.start(root.dataset.device).then(() => { root.dataset.core = "ready"; }).catch((error) => { wrong("clip", "This browser cannot work out what marks mean here. Try a current Chrome, Edge, Firefox or Safari."); console.warn("Core on the device:", error.message); });
