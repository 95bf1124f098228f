// Loads: the aim is dragged along the line and all else answers in the same frame, from Core on the device; where it is not, the server is asked.
import * as core from "./core.js";

const root = document.querySelector("[data-loads]");
const HOLD = 120;
let answer = root && JSON.parse(root.dataset.answer);
let asking;

const find = (css) => root.querySelector(css);
const FLOOR = 282;
const CALL = 206;

/** Draws what is said of one load. */
function draw(next) {
  answer = next;
  for (const el of root.querySelectorAll("[data-a]")) el.textContent = answer[el.dataset.a];
  root.querySelectorAll("[data-plot]").forEach(drawPlot);
  for (const aim of root.querySelectorAll("[data-take]")) { if (aim.dataset.aim === answer.aim) aim.setAttribute("aria-current", "true"); else aim.removeAttribute("aria-current"); }
  const typed = find("[data-typed]");
  if (document.activeElement !== typed) typed.value = answer.decrement.toFixed(1).replace(/\.0$/, "");
  // A sled line is never turned into a pull.
  for (const by of root.querySelectorAll("[data-by]")) { by.value = answer.asked; by.closest("form").hidden = answer.asked < 0; }
  drawSources();
}

function drawPlot(plot) {
  const number = (name) => Number(plot.dataset[name]);
  const xOf = (kg) => number("x0") + kg * number("kx");
  const [x, y] = [xOf(answer.kilograms), number("y0") + answer.decrement * number("ky")];
  const move = (css, left, top) => plot.querySelector(css)?.setAttribute("transform", `translate(${left.toFixed(2)} ${top.toFixed(2)})`);
  move("[data-handle]", x, y);
  move('[data-tag="y"]', 0, y);
  move('[data-tag="x"]', x, FLOOR + 20);
  move("[data-call]", Math.min(x + 26, number("width") - CALL), Math.max(0, y - 76));
  plot.querySelector('[data-lead="x"]').setAttribute("d", `M${x} ${y}V${FLOOR}`);
  plot.querySelector('[data-lead="y"]').setAttribute("d", `M${number("edge")} ${y}H${x}`);
  plot.querySelector("[data-likely]").setAttribute("d", `M${xOf(answer.low)} ${FLOOR - 7}v6H${xOf(answer.high)}v-6`);
  for (const band of plot.querySelectorAll("[data-band]")) band.classList.toggle("chosen", band.dataset.band === answer.aim);
  const handle = plot.querySelector("[data-handle]");
  handle.setAttribute("aria-valuenow", Math.round(answer.decrement));
  handle.setAttribute("aria-valuetext", `${answer.load}, ${answer.percent}`);
}

function drawSources() {
  const at = (kg) => 6 + (360 * (kg - answer.axisLow)) / (answer.axisHigh - answer.axisLow);
  const list = find("[data-sources]");
  list.replaceChildren(...answer.sources.map((s) => {
    const row = document.createElement("div");
    row.className = "source";
    for (const [tag, name, text] of [["span", "name", s.name], ["span", "note", s.note], ["b", "", s.text]]) row.append(Object.assign(document.createElement(tag), { className: name, textContent: text }));
    const own = s.apart === "";
    const [svg, colour] = [shape("svg", { viewBox: "0 0 372 20", "aria-hidden": "true" }), own ? "#14202B" : "#6A624F"];
    svg.append(shape("path", { d: "M6 10H366", stroke: "#DCD5C2" }), shape("path", { d: `M${at(answer.sources[0].kilograms)} 0v20`, stroke: "#C42F16", "stroke-width": 1.8, ...(own ? { "stroke-dasharray": "5 3" } : {}) }));
    if (s.isRule) svg.append(shape("rect", { x: at(s.kilograms) - 4.5, y: 5.5, width: 9, height: 9, fill: "#F5F1E6", stroke: colour, "stroke-width": 2 }));
    else svg.append(shape("path", { d: `M${at(s.low)} 10H${at(s.high)}M${at(s.low)} 5v10M${at(s.high)} 5v10`, stroke: colour, "stroke-width": 3 }), shape("circle", { cx: at(s.kilograms), cy: 10, r: 5, fill: colour, stroke: "#F5F1E6", "stroke-width": 1.4 }));
    const isFar = at(s.kilograms) > 300;
    const word = shape("text", { x: isFar ? at(s.kilograms) - 14 : Math.max(at(s.kilograms), at(s.high)) + 10, y: 15, "text-anchor": isFar ? "end" : "start", "font-size": 13, "font-weight": 650, fill: "#4A565F" });
    word.textContent = s.apart;
    svg.append(word);
    row.append(svg);
    return row;
  }));
  const unit = find('[data-axis="high"]').textContent.split(" ")[1];
  find('[data-axis="low"]').textContent = answer.axisLowText;
  find('[data-axis="high"]').textContent = `${answer.axisHighText} ${unit}`;
}

function shape(tag, all) {
  const el = document.createElementNS("http://www.w3.org/2000/svg", tag);
  for (const [name, value] of Object.entries(all)) el.setAttribute(name, value);
  return el;
}

/** Answers for what is asked: kilograms, or a slowing and steps from there. */
function ask(what) {
  const own = core.loadOf(root.dataset.document, what);
  if (own) { draw(own); return; }
  clearTimeout(asking);
  asking = setTimeout(async () => {
    const got = await fetch(`${root.dataset.url}?${new URLSearchParams({ handler: "Answer", surface: root.dataset.surface, sled: root.dataset.sled, ...what })}`).catch(() => null);
    if (got?.ok) draw(await got.json());
  }, HOLD);
}

/** The kilograms under a pointer. */
function under(event, plot) {
  const at = new DOMPoint(event.clientX, event.clientY).matrixTransform(plot.getScreenCTM().inverse());
  return Math.min(400, Math.max(-14, (at.x - Number(plot.dataset.x0)) / Number(plot.dataset.kx)));
}

/** Lets a hand or the keys move the load of a plot. */
function holdable(plot) {
  const handle = plot.querySelector("[data-handle]");
  const drag = (event) => ask({ kg: under(event, plot) });
  plot.addEventListener("pointerdown", (event) => {
    event.preventDefault();
    handle.focus();
    plot.setPointerCapture(event.pointerId);
    drag(event);
    plot.addEventListener("pointermove", drag);
  });
  for (const end of ["pointerup", "pointercancel"]) plot.addEventListener(end, () => plot.removeEventListener("pointermove", drag));
  handle.addEventListener("keydown", (event) => {
    const steps = { ArrowRight: 1, ArrowDown: 1, ArrowLeft: -1, ArrowUp: -1, PageDown: 4, PageUp: -4 }[event.key];
    if (!steps) return;
    event.preventDefault();
    ask({ by: answer.decrement, step: steps });
  });
}

if (root) {
  root.dataset.script = "yes";
  root.querySelectorAll("[data-plot]").forEach(holdable);
  for (const aim of root.querySelectorAll("[data-take]")) aim.addEventListener("click", (event) => { event.preventDefault(); ask({ by: Number(aim.dataset.take) }); });
  for (const step of root.querySelectorAll("[data-step]")) step.addEventListener("click", (event) => { event.preventDefault(); ask({ by: answer.decrement, step: Number(step.dataset.step) }); });
  const typed = find("[data-typed]");
  const wrong = find("[data-by-wrong]");
  typed.addEventListener("input", () => {
    const value = Number(typed.value.replace(",", ".").replace("−", "-"));
    const isSaid = typed.value.trim() !== "" && Number.isFinite(value) && value >= -10 && value <= 80;
    wrong.textContent = isSaid ? "" : "From −10 (pulled) to 80% slower, such as 30.";
    if (isSaid) ask({ by: value });
  });
  typed.form.addEventListener("submit", (event) => event.preventDefault());
  find("[data-go]")?.addEventListener("change", (event) => window.location.assign(event.target.value));
  if (root.dataset.device) core.start(root.dataset.device).then(() => { document.documentElement.dataset.core = "ready"; }).catch((error) => console.warn("Core on the device:", error.message));
}
