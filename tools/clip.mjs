// Makes the clip the browser tests mark: a drawn runner whose contacts, joints and speed are known, by means of its own, so that nothing of the program judges itself.
// Usage: node tools/clip.mjs OUT_FOLDER. Needs Chromium and ChromeDriver; writes runner.mp4 (VP9) and runner.json (the truth).
import { spawn } from "node:child_process";
import { createServer } from "node:http";
import { mkdtempSync, writeFileSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import * as esbuild from "esbuild";

const out = process.argv[2] ?? ".";
const [fps, frames, width, height, pxPerMetre, ground] = [120, 150, 1280, 720, 100, 620];
const [speed, frequency, stature, hipHeight, lean] = [8, 4.2, 1.8, 0.9, 6];
const contact = { right: 0.104, left: 0.098 };
const [thigh, shank, trunk, upper, fore] = [0.245, 0.246, 0.288, 0.186, 0.146].map((s) => s * stature);
const period = 1 / frequency;
const start = 0.0331;
const ahead = 0.36;
const px = (x, y) => ({ x: Number((x * pxPerMetre).toFixed(2)), y: Number((ground - y * pxPerMetre).toFixed(2)) });
const hipAt = (t) => 0.9 + speed * t;
const stepOf = (k) => { const foot = k % 2 === 0 ? "right" : "left"; const down = start + k * period; return { foot, down, off: down + contact[foot], toe: hipAt(down) + ahead }; };
const last = Math.floor((frames / fps - start) / period);

// The ankle on the ground, the heel coming up towards the end.
function standing(step, t) {
  const share = (t - step.down) / (step.off - step.down);
  const angle = (150 - 75 * Math.max(0, share - 0.35) / 0.65) * Math.PI / 180;
  return { toe: [step.toe, 0.02], ankle: [step.toe + 0.19 * Math.cos(angle), 0.02 + 0.19 * Math.sin(angle)] };
}

function footAt(side, t) {
  const own = [];
  for (let k = -3; k <= last + 3; k += 1) if ((k % 2 === 0) === (side === "right")) own.push(stepOf(k));
  const on = own.find((s) => t >= s.down && t < s.off);
  if (on) return standing(on, t);
  const next = own.find((s) => s.down > t);
  const before = own[own.indexOf(next) - 1];
  const share = (t - before.off) / (next.down - before.off);
  const [a, b] = [standing(before, before.off), standing(next, next.down)];
  const ease = share * share * (3 - 2 * share);
  const mix = (p, q) => p + (q - p) * ease;
  const lift = 0.42 * Math.sin(Math.PI * share);
  const ankle = [mix(a.ankle[0], b.ankle[0]), mix(a.ankle[1], b.ankle[1]) + lift];
  const turn = mix(75 - 180, 150 - 180) + 20 * Math.sin(Math.PI * share);
  return { ankle, toe: [ankle[0] + 0.19 * Math.cos(turn * Math.PI / 180), ankle[1] + 0.19 * Math.sin(turn * Math.PI / 180)] };
}

// Both bones from hip to ankle, the knee ahead.
function kneeOf(hip, ankle) {
  const [dx, dy] = [ankle[0] - hip[0], ankle[1] - hip[1]];
  const far = Math.min(Math.hypot(dx, dy), thigh + shank - 1e-6);
  const bend = Math.acos((thigh * thigh + far * far - shank * shank) / (2 * thigh * far));
  const way = Math.atan2(dy, dx) + bend;
  return [hip[0] + thigh * Math.cos(way), hip[1] + thigh * Math.sin(way)];
}

function bodyAt(t) {
  const hip = [hipAt(t), hipHeight];
  const up = [Math.sin(lean * Math.PI / 180), Math.cos(lean * Math.PI / 180)];
  const shoulder = [hip[0] + trunk * up[0], hip[1] + trunk * up[1]];
  const head = [shoulder[0] + 0.22 * up[0] + 0.02, shoulder[1] + 0.22 * up[1]];
  const arm = (phase) => {
    const swing = (45 * Math.sin(2 * Math.PI * (t - start) * frequency / 2 + phase) - 5) * Math.PI / 180;
    const elbow = [shoulder[0] + upper * Math.sin(swing), shoulder[1] - upper * Math.cos(swing)];
    return { elbow, hand: [elbow[0] + fore * Math.sin(swing + 1.5), elbow[1] - fore * Math.cos(swing + 1.5)] };
  };
  const leg = (side) => { const foot = footAt(side, t); return { ...foot, knee: kneeOf(hip, foot.ankle) }; };
  const [near, far, nearArm, farArm] = [leg("right"), leg("left"), arm(Math.PI), arm(0)];
  const places = { Head: head, Shoulder: shoulder, Hip: hip, NearKnee: near.knee, NearAnkle: near.ankle, NearToe: near.toe, FarKnee: far.knee, FarAnkle: far.ankle, FarToe: far.toe, NearElbow: nearArm.elbow, NearHand: nearArm.hand, FarElbow: farArm.elbow, FarHand: farArm.hand };
  return Object.fromEntries(Object.entries(places).map(([name, [x, y]]) => [name, px(x, y)]));
}

const bodies = Array.from({ length: frames }, (_, i) => bodyAt(i / fps));
const cones = [1, 3, 5, 7, 9, 11].map((x) => px(x, 0));
const steps = Array.from({ length: last + 1 }, (_, k) => stepOf(k)).filter((s) => s.off * fps < frames - 1);
const shoulderAhead = trunk * Math.sin(lean * Math.PI / 180);
const lines = [3, 7, 10].map((metres) => ({ metres, seconds: (metres - 0.9 - shoulderAhead) / speed }));
const degrees = (a, b) => Math.atan2(b[0] - a[0], a[1] - b[1]) * 180 / Math.PI;

const page = `
import { BufferTarget, CanvasSource, Mp4OutputFormat, Output } from "mediabunny";
window.make = async ({ fps, width, height, ground, bodies, cones }) => {
  const canvas = new OffscreenCanvas(width, height);
  const pen = canvas.getContext("2d");
  const output = new Output({ format: new Mp4OutputFormat({ fastStart: "in-memory" }), target: new BufferTarget() });
  const source = new CanvasSource(canvas, { codec: "vp9", bitrate: 900000, keyFrameInterval: 0.25 });
  output.addVideoTrack(source, { frameRate: fps });
  await output.start();
  const line = (colour, wide, ...points) => { pen.strokeStyle = colour; pen.lineWidth = wide; pen.lineCap = pen.lineJoin = "round"; pen.beginPath(); points.forEach((p, i) => (i ? pen.lineTo(p.x, p.y) : pen.moveTo(p.x, p.y))); pen.stroke(); };
  const disc = (colour, p, r) => { pen.fillStyle = colour; pen.beginPath(); pen.arc(p.x, p.y, r, 0, 7); pen.fill(); };
  for (let i = 0; i < bodies.length; i += 1) {
    pen.fillStyle = "#d4d1c9"; pen.fillRect(0, 0, width, height);
    pen.fillStyle = "#bcb8ae"; pen.fillRect(0, ground - 26, width, height);
    line("#e9e6dd", 4, { x: 0, y: ground + 40 }, { x: width, y: ground + 40 });
    for (const c of cones) { pen.fillStyle = "#c8641e"; pen.beginPath(); pen.moveTo(c.x, c.y - 22); pen.lineTo(c.x + 10, c.y); pen.lineTo(c.x - 10, c.y); pen.fill(); }
    const b = bodies[i];
    line("#8b8577", 15, b.Shoulder, b.FarElbow, b.FarHand);
    line("#8b8577", 22, b.Hip, b.FarKnee, b.FarAnkle); line("#8b8577", 12, b.FarAnkle, b.FarToe);
    line("#1e7a6b", 34, b.Hip, b.Shoulder); disc("#4a4038", b.Head, 17);
    line("#2a3640", 24, b.Hip, b.NearKnee, b.NearAnkle); line("#2a3640", 12, b.NearAnkle, b.NearToe);
    line("#2a3640", 16, b.Shoulder, b.NearElbow, b.NearHand);
    // The number of the frame in eight squares, so that a test can read which one is on the screen.
    for (let bit = 0; bit < 8; bit += 1) { pen.fillStyle = (i >> bit) & 1 ? "#ffffff" : "#000000"; pen.fillRect(width - 16 - bit * 32 - 32, 16, 32, 32); }
    await source.add(i / fps, 1 / fps);
  }
  await output.finalize();
  const bytes = new Uint8Array(output.target.buffer);
  let text = "";
  for (let i = 0; i < bytes.length; i += 32768) text += String.fromCharCode(...bytes.subarray(i, i + 32768));
  return btoa(text);
};`;

const bundle = (await esbuild.build({ stdin: { contents: page, resolveDir: process.cwd() }, bundle: true, write: false, format: "esm", target: "es2022" })).outputFiles[0].text;
const server = createServer((ask, answer) => { answer.setHeader("content-type", ask.url === "/make.js" ? "text/javascript" : "text/html"); answer.end(ask.url === "/make.js" ? bundle : "<script type=module src=/make.js></script>"); }).listen(0, "127.0.0.1");
const port = 9300 + Math.floor(Math.random() * 300);
const driver = spawn("chromedriver", [`--port=${port}`, "--log-level=OFF"], { stdio: "ignore" });

async function call(path, body) {
  for (let i = 0; ; i += 1) {
    try {
      const { value } = await (await fetch(`http://127.0.0.1:${port}${path}`, { method: "POST", body: JSON.stringify(body) })).json();
      if (value?.error) throw new Error(`${value.error}: ${value.message}`);
      return value;
    } catch (error) {
      if (error.cause?.code !== "ECONNREFUSED" || i > 60) throw error;
      await new Promise((done) => { setTimeout(done, 100); });
    }
  }
}

try {
  const args = ["--headless", "--no-sandbox", "--disable-gpu", "--disable-quic", "--no-first-run", "--disable-background-networking", "--disable-component-update", "--disable-sync", `--user-data-dir=${mkdtempSync(join(tmpdir(), "clip-"))}`];
  const { sessionId } = await call("/session", { capabilities: { alwaysMatch: { "goog:chromeOptions": { args }, timeouts: { script: 300000 } } } });
  await call(`/session/${sessionId}/url`, { url: `http://127.0.0.1:${server.address().port}/` });
  const script = "const done = arguments[1]; const go = () => window.make ? window.make(arguments[0]).then(done, (e) => done('!' + e.message)) : setTimeout(go, 50); go();";
  const made = await call(`/session/${sessionId}/execute/async`, { script, args: [{ fps, width, height, ground, bodies, cones }] });
  if (made.startsWith("!")) throw new Error(made.slice(1));
  writeFileSync(join(out, "runner.mp4"), Buffer.from(made, "base64"));
  const foot = (s) => ({ foot: s.foot, down: s.down, off: s.off, toe: px(s.toe, 0.02) });
  const middle = steps.map((s) => Math.ceil(s.down * fps)).filter((n) => bodies[n].Hip.x > width / 3 && bodies[n].Hip.x < width * 2 / 3)[0];
  const t = middle / fps;
  const legs = { right: footAt("right", t), left: footAt("left", t) };
  const standingSide = steps.find((s) => Math.ceil(s.down * fps) === middle).foot;
  const other = standingSide === "right" ? "left" : "right";
  const hip = [hipAt(t), hipHeight];
  const knees = { right: kneeOf(hip, legs.right.ankle), left: kneeOf(hip, legs.left.ankle) };
  const [thighIs, shankIs, thighOther] = [degrees(hip, knees[standingSide]), degrees(knees[standingSide], legs[standingSide].ankle), degrees(hip, knees[other])];
  writeFileSync(join(out, "runner.json"), `${JSON.stringify({
    fps, frames, width, height, speed, frequency, length: speed / frequency, steps: steps.map(foot), lines,
    scale: { from: px(3, 0), to: px(9, 0), metres: 6 },
    body: { frame: middle, foot: standingSide, joints: bodies[middle], trunk: lean, shin: shankIs, split: Math.abs(thighIs - thighOther), knee: 180 - Math.abs(thighIs - shankIs) },
  }, null, 1)}\n`);
} finally {
  driver.kill();
  server.close();
}
