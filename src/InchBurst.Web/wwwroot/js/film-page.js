// Film: a clip is opened from the device, stepped and marked; Core on the device says what the marks mean. The picture is read, never sent.
import * as core from "./core.js";
import { Clip } from "./film-clip.js";
import { Marks } from "./film-marks.js";
import { drawGauges, drawOver, drawSteps, drawTime, html, unitOf } from "./film-draw.js";
import { Placing } from "./film-place.js";
import { beside } from "./film-beside.js";
import { Look } from "./film-look.js";
import { asking } from "./film-asking.js";
import { camera } from "./film-camera.js";
import { saving } from "./film-saving.js";

const root = document.querySelector("[data-film]");
const find = (css) => root.querySelector(css);
const all = (css) => [...root.querySelectorAll(css)];
const JOINTS = JSON.parse(root.dataset.joints);

const clip = new Clip(find("video"));
const marks = new Marks();
const placing = new Placing({ stage: find("[data-stage]"), video: clip.video, loupe: find("[data-loupe]"), tell: find("[data-ask]"), changed: () => draw() });
const look = new Look({ stage: find("[data-stage]"), inner: find("[data-zoom]"), clip, marks });
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
  look.follow();
  const shown = svg.getBoundingClientRect();
  const u = Math.max(clip.width / Math.max(1, shown.width), clip.height / Math.max(1, shown.height));
  // The part of the picture that is seen, in its px: tags stay inside it.
  svg.setAttribute("viewBox", `0 0 ${clip.width} ${clip.height}`);
  const [box, back] = [find("[data-stage]").getBoundingClientRect(), svg.getScreenCTM().inverse()];
  const [from, to] = [[box.left, box.top], [box.right, box.bottom]].map(([x, y]) => new DOMPoint(x, y).matrixTransform(back));
  const view = { left: Math.max(0, from.x), top: Math.max(0, from.y), right: Math.min(clip.width, to.x), bottom: Math.min(clip.height, to.y) };
  drawOver(svg, { view, most: isNarrow() ? 3 : 9, marks: marks.now, sight, frame: clip.shown, width: clip.width, height: clip.height, u, goals: find("[data-goals]"), isGoal, cross: placing.cross, pending: placing.pending });
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
    const opened = core.filmClip(clip.times, clip.width, clip.height);
    if (!opened) throw new Error("The frames of this clip do not follow each other in time.");
    const known = opened.clip;
    taken.told(opened);
    const again = marks.begin(known, root.dataset.speed, kept(known), `inchburst-film:${root.dataset.athlete}:${known.frames}:${known.width}x${known.height}:${known.seconds.toFixed(4)}`);
    // Figures that were kept are gone on with on their own clip only; another clip's are new ones.
    const form = find("form[data-save]");
    own ??= { film: form.elements.film.value, version: form.elements.version.value };
    [form.elements.film.value, form.elements.version.value] = kept(known) ? [own.film, own.version] : ["", "0"];
    root.dataset.open = "yes";
    isReady = true;
    find("[data-stage]").style.setProperty("--ratio", `${clip.width} / ${clip.height}`);
    taken.show(opened);
    look.begin(isNarrow());
    say(again ? "Marks you made on this clip before are here again." : "");
    draw();
  } catch (error) {
    clip.close();
    delete root.dataset.open;
    wrong("clip", error.message);
  } finally { progress.hidden = true; }
}

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
  if (isDown && !here && marks.now.scales.length > 0) asks.askTip();
}

const asks = asking({ root, clip, marks, placing, joints: JOINTS, judged: () => [phase, moment ?? "Flight"], say, wrong });
const taken = camera({ root, marks, wrong });
saving({ root, clip, marks, phase: () => phase });

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
  tip: () => { if (marks.landingOn(clip.frame)) asks.askTip(); else say("Mark foot down on this frame first."); },
  joint: () => asks.askJoint(),
  scale: () => asks.askScale(),
  line: () => { find("[data-line]").focus(); },
  addLine: () => asks.addLine(),
  goal: () => { isGoal = !isGoal; for (const b of all("[data-do=goal]")) b.setAttribute("aria-pressed", String(isGoal)); draw(); },
  play: () => { if (clip.isPlaying) clip.show(clip.frame); else clip.play(sight.slowPlay, draw).catch((error) => say(error.message)); },
  nearer: () => { look.nearer(1.5); draw(); },
  farther: () => { look.nearer(1 / 1.5); draw(); },
  undo: () => marks.undo(),
  skip: () => placing.skip(),
  stop: () => { asks.forget(); placing.stop(); draw(); },
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
placing.pulled = (dx, dy) => { if (look.pull(dx, dy)) draw(); };
// A joint that is there is put right by pulling it.
placing.canTake = (at, reach) => {
  const joints = marks.bodyOn(clip.frame)?.joints ?? {};
  const [name, from] = Object.entries(joints).map(([n, p]) => [n, p, Math.hypot(p.x - at.x, p.y - at.y)]).sort((a, b) => a[2] - b[2])[0] ?? [];
  return from && Math.hypot(from.x - at.x, from.y - at.y) <= reach ? (to) => { const b = marks.bodyOn(clip.frame); marks.joint(clip.frame, name, to, b.phase, b.moment); } : null;
};
marks.onchange = draw;
clip.onframe = () => { look.frame(); placing.frame(clip.frame); draw(); };
new ResizeObserver(() => draw()).observe(find("[data-stage]"));
beside(root, clip, () => marks.now, () => sight);
window.addEventListener("pagehide", () => clip.close());
if (root.dataset.device) core.start(root.dataset.device).then(() => { root.dataset.core = "ready"; }).catch((error) => { wrong("clip", "This browser cannot work out what marks mean here. Try a current Chrome, Edge, Firefox or Safari."); console.warn("Core on the device:", error.message); });
