// What the start box shows: its figures, the gauge of a reaction, the lane with its marks.
const SVG = "http://www.w3.org/2000/svg";
const INK = "#0B1118";
const ACCENT = "#C42E17";
export const box = () => document.getElementById("t-start");

/** Puts a text wherever it is shown. */
export function put(name, text) {
  for (const at of box().querySelectorAll(`[data-ts="${name}"]`)) at.textContent = text;
}

export const part = (name) => box().querySelector(`[data-ts="${name}"]`);

const make = (name, marks, text) => {
  const node = document.createElementNS(SVG, name);
  for (const [k, v] of Object.entries(marks)) node.setAttribute(k, v);
  if (text !== undefined) node.textContent = text;
  return node;
};

/** The start to scale: lead-in, the shortest hold, and where the go may fall. */
export function drawStrip({ lead, least, most }) {
  const strip = part("strip");
  const wide = Math.max(300, strip.clientWidth);
  const x = (seconds) => 2 + seconds * ((wide - 4) / (lead + most + 0.8));
  strip.setAttribute("viewBox", `0 0 ${wide} 104`);
  const middle = (x(lead + least) + x(lead + most)) / 2;
  strip.replaceChildren(
    make("rect", { x: x(0), y: 40, width: x(lead) - x(0), height: 34, fill: "#E8E5DA" }),
    make("rect", { x: x(lead), y: 40, width: x(lead + least) - x(lead), height: 34, fill: INK }),
    make("rect", { x: x(lead + least), y: 40, width: x(lead + most) - x(lead + least), height: 34, fill: "url(#over)" }),
    make("path", { d: `M${x(0)} 40H${wide - 2}M${x(0)} 74H${wide - 2}`, stroke: INK, "stroke-width": 2.5 }),
    make("path", { d: `M${x(lead + least)} 22v12M${x(lead + most)} 22v12M${x(lead + least)} 28H${x(lead + most)}`, stroke: ACCENT, "stroke-width": 3, fill: "none" }),
    make("text", { x: Math.min(middle, wide - 72), y: 16, "font-size": 16, "font-weight": 700, "text-anchor": "middle", fill: ACCENT }, "GO falls in here"),
    make("text", { x: x(0) + 8, y: 62, "font-size": 16, "font-weight": 600, fill: INK }, `lead-in ${lead.toFixed(0)} s`),
    make("text", { x: x(lead), y: 96, "font-size": 16, "font-weight": 700, "text-anchor": "middle", fill: INK }, "set"),
    ...[least, most].map((s, i) => make("text", { x: x(lead + s) + (i === 0 ? 0 : 4), y: 96, "font-size": 16, "font-weight": 700, "text-anchor": i === 0 ? "middle" : "start", fill: INK }, `+${s.toFixed(1)}`)),
  );
}

/** A reaction between 0 and 0.3 s, over what is usual for the athlete. */
export function drawGauge(seconds, usual) {
  const x = (s) => 8 + Math.min(0.3, Math.max(0, s)) * 1280;
  for (const gauge of box().querySelectorAll("[data-gauge]")) {
    gauge.replaceChildren(
      make("rect", { x: x(0), y: 6, width: x(0.3) - x(0), height: 20, fill: "#fff", stroke: INK, "stroke-width": 2 }),
      ...(usual ? [make("rect", { x: x(usual.least), y: 7, width: Math.max(2, x(usual.most) - x(usual.least)), height: 18, fill: "#E0DACA" })] : []),
      make("rect", { x: x(0), y: 7, width: x(0.1) - x(0), height: 18, fill: "url(#over)" }),
      make("path", { d: `M${x(0.1)} 2V30`, stroke: ACCENT, "stroke-width": 4 }),
      ...(seconds === null ? [] : [make("path", { d: `M${x(seconds)} 2V30`, stroke: INK, "stroke-width": 5 })]),
      ...[[0, "0"], [0.1, "0.100"], [0.2, "0.2"], [0.3, "0.3 s"]].map(([s, text]) => make("text", { x: x(s), y: 50, "font-size": 18, "font-weight": s === 0.1 ? 800 : 500, "text-anchor": s === 0 ? "start" : s === 0.3 ? "end" : "middle", fill: INK }, text)),
    );
  }
}

/** The run to scale: what is behind the athlete, where they are expected to be, the marks, the next one. */
export function drawLane(sight, next, metres) {
  const run = Math.max(sight.runMetres, sight.marks.at(-1)?.metres ?? 1);
  const end = sight.marks.at(-1)?.metres ?? run;
  const place = Math.min(metres, end);
  const lane = part("lane");
  const wide = Math.max(300, lane.clientWidth);
  const at = (where) => 12 + Math.min(1, where / run) * (wide - 24);
  lane.setAttribute("viewBox", `0 0 ${wide} 110`);
  lane.replaceChildren(
    make("rect", { x: at(0), y: 34, width: at(end) - at(0), height: 36, fill: "#D9DDE0" }),
    make("rect", { x: at(0), y: 34, width: Math.max(0, at(place) - at(0)), height: 36, fill: "url(#s-acceleration)" }),
    make("path", { d: `M${at(0)} 34H${at(run)}M${at(0)} 70H${at(run)}`, stroke: INK, "stroke-width": 3, fill: "none" }),
    make("rect", { x: at(0) - 5, y: 28, width: 6, height: 48, fill: INK }),
    ...(sight.places.length > 0 ? [make("path", { d: `M${at(place) - 11} 20h22l-11 13z`, fill: INK }), make("text", { x: Math.min(at(place) + 16, wide - 160), y: 30, "font-size": 18, fill: INK, "font-weight": 600 }, `expected at ${place.toFixed(1)} m`)] : []),
    ...sight.marks.flatMap((m, i) => [
      make("path", { d: `M${at(m.metres)} ${i === next ? 0 : 34}V76`, stroke: i === next ? ACCENT : INK, "stroke-width": i === next ? 4 : 2.5 }),
      make("circle", { cx: at(m.metres), cy: 76, r: 7, fill: "#fff", stroke: INK, "stroke-width": 3 }),
      make("text", { x: at(m.metres), y: 106, "font-size": 22, "font-weight": 700, "text-anchor": m.metres === run ? "end" : "middle", fill: INK }, m.label),
    ]),
  );
}

/** A card for each mark that was tapped, and the next one. */
export function drawCards(word, taps, next) {
  part("cards").replaceChildren(...word.marks.map((m, i) => {
    const card = Object.assign(document.createElement("div"), { className: `ts-card${i === next ? " next" : ""}` });
    const figure = Object.assign(document.createElement("b"), { textContent: i < taps.length ? m.clock || "missed" : i === next ? `tap at ${m.label}` : m.label });
    card.append(figure);
    if (m.clock) {
      const small = document.createElement("span");
      for (const text of [m.label, m.run ? `run ${m.run}` : "", `hand ${m.hand}`].filter(Boolean)) small.append(Object.assign(document.createElement("i"), { textContent: text }));
      card.append(small);
    }
    return card;
  }));
}

/** Where the athlete is expected to be so many seconds after the first movement, m. */
export function placeAt(places, seconds) {
  const step = Math.max(0, seconds) * 10;
  const [from, to] = [places[Math.floor(step)] ?? places.at(-1) ?? 0, places[Math.floor(step) + 1] ?? places.at(-1) ?? 0];
  return from + (to - from) * (step % 1);
}
