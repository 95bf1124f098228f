// How a line reads, said back beside a drawing before it is kept. One answer, worked out by Core on the device where it is, by the server otherwise; drawn here.
const SVG = "http://www.w3.org/2000/svg";
const LANE = 300;
const HIGH = 24;
const MOST_BARS = 40;
// As the straight is filled everywhere.
const FILLS = { fly: "s-maxvelocity", fast: "s-maxvelocity", build: "l-acceleration", float: "l-maxvelocity", slow: "l-turn" };

let worker = null;
let isReady = false;
let asked = 0;
const waiting = new Map();
let renew = () => {};

/** Brings Core into a thread of its own, so that no key ever waits for it. */
export function bring(base, documentUrl) {
  if (!base || !documentUrl || !window.Worker) return;
  try {
    worker = new Worker(new URL("reading-worker.js", import.meta.url), { type: "module" });
  } catch { return; }
  worker.addEventListener("error", () => { isReady = false; for (const [, give] of waiting) give(null); waiting.clear(); });
  worker.addEventListener("message", ({ data }) => {
    if (data.ready) { isReady = true; performance.mark("reader-ready"); return; }
    waiting.get(data.id)?.(data.answer);
    waiting.delete(data.id);
  });
  renew = () => fetch(documentUrl, { headers: { "HX-Request": "true" } }).then((answer) => (answer.ok && !answer.redirected ? answer.text() : null))
    .then((text) => { if (text) worker.postMessage({ base: new URL(base, location.href).href, open: text }); }, () => {});
  renew();
}

/** Brings what the session is held with anew: an exercise is new, or changed. */
export const refresh = () => renew();

/** True when lines are read on the device. */
export const isHere = () => isReady;

/** How a line reads; null where Core is not on the device. */
export function ask(text) {
  if (!isReady) return Promise.resolve(null);
  asked += 1;
  const id = asked;
  return new Promise((give) => { waiting.set(id, give); worker.postMessage({ id, text }); }).then((answer) => (answer ? JSON.parse(answer) : null));
}

const make = (name, attributes, ...inside) => {
  const el = document.createElement(name);
  for (const [key, value] of Object.entries(attributes)) el.setAttribute(key, value);
  el.append(...inside);
  return el;
};

const shape = (name, attributes, text) => {
  const el = document.createElementNS(SVG, name);
  for (const [key, value] of Object.entries(attributes)) el.setAttribute(key, value);
  if (text !== undefined) el.textContent = text;
  return el;
};

/** A problem with its place in the line and the answers to pick from, as everywhere on the page. */
export function problem(of, text) {
  const end = Math.min(of.start + of.length, text.length);
  const start = Math.min(of.start, text.length);
  const box = make("div", { class: "problem", role: "alert" }, of.message);
  if (text.length > 0) box.append(make("span", { class: "at" }, text.slice(0, start), make("mark", {}, end > start ? text.slice(start, end) : " "), text.slice(end)));
  if (of.choices.length > 0) {
    box.append(make("span", { class: "choices", role: "group", "aria-label": "What is meant" }, ...of.choices.map((choice, i) =>
      make("button", { type: "button", class: "offer", "data-choice": choice.whole }, make("kbd", {}, String(i + 1)), ` ${choice.label}`))));
  }
  return box;
}

// One rep to scale from left to right, then the reps, set by set; what a range leaves open is only outlined.
function sketch(of, look) {
  const bars = Math.min(of.sets * of.reps, MOST_BARS);
  const from = of.pieces.length > 0 ? LANE + 16 : 0;
  const width = from + bars * 7 + (of.sets - 1) * 6 + (of.sets * of.reps > bars ? 24 : 2);
  const svg = shape("svg", { class: "sketch", width, height: HIGH + 6, viewBox: `0 0 ${width} ${HIGH + 6}`, role: "img", "aria-label": `One rep to scale, ${of.sets * of.reps} in all` });
  for (const piece of of.pieces) {
    const [x, w] = [piece.from * LANE, (piece.to - piece.from) * LANE];
    if (w === 0) {
      svg.append(shape("path", { d: `M${x} 2v${HIGH}m-5 -5 5 5 5-5`, fill: "none", stroke: "#14202B", "stroke-width": 2 }));
      continue;
    }
    svg.append(shape("rect", { x, y: 3, width: Math.max(1, w - 1), height: HIGH - 2, fill: `url(#${FILLS[piece.role] ?? `l-${look}`})` }));
    const said = piece.role === "run" || piece.role === "up" || piece.role === "back" ? piece.label : `${piece.label} ${piece.role}`;
    const label = w > said.length * 7 ? said : w > piece.label.length * 7.4 ? piece.label : "";
    if (label) svg.append(shape("text", { x: x + w / 2, y: HIGH - 5, "text-anchor": "middle", class: piece.role === "fly" || piece.role === "fast" ? "on" : "" }, label));
  }
  for (const gate of of.gates) svg.append(shape("circle", { cx: Math.min(LANE - 3, Math.max(3, gate * LANE)), cy: HIGH + 1, r: 3.4, class: "gate" }));
  for (let i = 0; i < bars; i += 1) {
    const x = from + i * 7 + Math.floor(i / of.reps) * 6;
    svg.append(shape("rect", { x: x + 0.5, y: 4.5, width: 4, height: HIGH - 5, class: i < of.least ? "rep" : "rep open" }));
  }
  if (of.sets * of.reps > bars) svg.append(shape("text", { x: width - 22, y: HIGH - 5 }, `… ${of.sets * of.reps}`));
  return svg;
}

/** Says a reading back in its box. */
export function draw(box, reading) {
  const parts = [];
  if (reading.offers.length > 0) {
    parts.push(make("span", { class: "offers", role: "group", "aria-label": "Exercises that fit" }, ...reading.offers.map((offer) => make("button", { type: "button", class: "offer", "data-offer": offer.whole }, offer.name)), make("kbd", {}, "↓")));
  }
  if (reading.problem) parts.push(problem(reading.problem, reading.text));
  if (reading.kind !== undefined) {
    const picture = document.querySelector("[data-kinds]").content.querySelector(`[data-kind="${reading.kind}"]`);
    const adds = make("span", { class: "adds" }, reading.adds);
    if (reading.sketch) parts.push(make("div", { class: "reads-top" }, sketch(reading.sketch, picture.dataset.look), adds));
    parts.push(make("span", {}, "Reads as"), make("span", { class: "reads-name" }, picture.firstElementChild.cloneNode(true), ` ${reading.name}`));
    for (const word of reading.words) parts.push(make("span", {}, word));
    for (const mind of reading.minds) parts.push(make("span", { class: "reads-mind" }, mind));
    if (!reading.sketch) parts.push(adds);
  }
  box.replaceChildren(...parts);
  bringIntoView(box);
}

/** What is said back stands above the keys of a phone, with the field it belongs to. */
function bringIntoView(box) {
  const field = document.activeElement;
  const view = window.visualViewport;
  if (!view || !box.parentElement?.contains(field)) return;
  const [top, bottom] = [view.offsetTop, view.offsetTop + view.height];
  const hidden = Math.min(box.getBoundingClientRect().bottom + 8 - bottom, field.getBoundingClientRect().top - 8 - top);
  if (hidden > 0) window.scrollBy({ top: hidden, behavior: "instant" });
}
