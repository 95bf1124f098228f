// Draws what is marked on a clip and what Core says of it: over the picture, on the timeline, in the tables. No rule stands here.
const NS = "http://www.w3.org/2000/svg";
const [INK, WHITE, STONE, MIND, ACCENT, PAPER, INK2] = ["#14202B", "#FFFFFF", "#6A624F", "#7A4F00", "#C42F16", "#F5F1E6", "#4A565F"];
const near = [["Head", "Shoulder"], ["Shoulder", "Hip"], ["Hip", "NearKnee"], ["NearKnee", "NearAnkle"], ["NearAnkle", "NearToe"], ["Shoulder", "NearElbow"], ["NearElbow", "NearHand"]];
const far = [["Hip", "FarKnee"], ["FarKnee", "FarAnkle"], ["FarAnkle", "FarToe"], ["Shoulder", "FarElbow"], ["FarElbow", "FarHand"]];

export function shape(tag, all = {}, text) {
  const el = document.createElementNS(NS, tag);
  for (const [name, value] of Object.entries(all)) if (value !== null) el.setAttribute(name, value);
  if (text !== undefined) el.textContent = text;
  return el;
}

export function html(tag, className, text) {
  const el = document.createElement(tag);
  if (className) el.className = className;
  if (text !== undefined) el.textContent = text;
  return el;
}

const widths = document.createElement("canvas").getContext("2d");
function widthOf(text, size, weight = 600) {
  widths.font = `${weight} ${size}px Archivo, sans-serif`;
  return widths.measureText(text).width;
}

/** Everything over the picture; u is one px of the screen in px of the picture. */
export function drawOver(svg, { view, most, marks, sight, frame, u, goals, isGoal, cross, pending }) {
  const parts = [];
  if (isGoal && sight?.goal) parts.push(goalOver(goals, sight.goal));
  for (const s of marks.scales) parts.push(...scaleLine(s, sight, u, s.frame === frame));
  const body = marks.bodies.find((b) => b.frame === frame);
  if (body) parts.push(...limbs(body.joints, u), ...tagged(sight?.angles ?? [], u, view, most));
  const landing = marks.feet.find((f) => f.isDown && f.frame.number === frame && f.at);
  if (landing) parts.push(shape("path", { d: `M${landing.at.x} ${landing.at.y - 9 * u}V${landing.at.y + 9 * u}M${landing.at.x - 9 * u} ${landing.at.y}H${landing.at.x + 9 * u}`, stroke: WHITE, "stroke-width": 5 * u }), shape("path", { d: `M${landing.at.x} ${landing.at.y - 9 * u}V${landing.at.y + 9 * u}M${landing.at.x - 9 * u} ${landing.at.y}H${landing.at.x + 9 * u}`, stroke: ACCENT, "stroke-width": 2.5 * u }));
  for (const p of pending) parts.push(shape("circle", { cx: p.x, cy: p.y, r: 6 * u, fill: "none", stroke: WHITE, "stroke-width": 5 * u }), shape("circle", { cx: p.x, cy: p.y, r: 6 * u, fill: "none", stroke: INK, "stroke-width": 2.5 * u }));
  if (cross) parts.push(shape("path", { d: `M${cross.x - 22 * u} ${cross.y}h${16 * u}m${12 * u} 0h${16 * u}M${cross.x} ${cross.y - 22 * u}v${16 * u}m0 ${12 * u}v${16 * u}`, stroke: WHITE, "stroke-width": 5 * u, "data-cross": "" }), shape("path", { d: `M${cross.x - 22 * u} ${cross.y}h${16 * u}m${12 * u} 0h${16 * u}M${cross.x} ${cross.y - 22 * u}v${16 * u}m0 ${12 * u}v${16 * u}`, stroke: INK, "stroke-width": 2 * u }));
  svg.replaceChildren(...parts);
}

function goalOver(goals, goal) {
  const from = goals.querySelector(`[data-pose="${goal.pose}"]`);
  const group = shape("g", { opacity: 0.42, "data-goal-over": goal.pose });
  if (!from) return group;
  const by = goal.stature / Number(from.dataset.stature);
  group.setAttribute("transform", `translate(${goal.hip.x} ${goal.hip.y}) scale(${goal.runsRight ? by : -by} ${by}) translate(${-from.dataset.hipX} ${-from.dataset.hipY})`);
  const outline = 5 / by;
  for (const path of from.querySelectorAll("path")) group.append(shape("path", { d: path.getAttribute("d"), fill: PAPER, stroke: PAPER, "stroke-width": Math.min(outline, 14), "stroke-linejoin": "round" }));
  return group;
}

function scaleLine(s, sight, u, isHere) {
  const across = { x: (s.from.y - s.to.y), y: (s.to.x - s.from.x) };
  const long = Math.hypot(across.x, across.y) || 1;
  const [nx, ny] = [across.x / long * 7 * u, across.y / long * 7 * u];
  const d = `M${s.from.x - nx} ${s.from.y - ny}l${2 * nx} ${2 * ny}M${s.to.x - nx} ${s.to.y - ny}l${2 * nx} ${2 * ny}M${s.from.x} ${s.from.y}L${s.to.x} ${s.to.y}`;
  const parts = [shape("path", { d, stroke: WHITE, "stroke-width": 5 * u, opacity: isHere ? 1 : 0.6 }), shape("path", { d, stroke: INK, "stroke-width": 2 * u })];
  if (sight?.scale) parts.push(label(sight.scale, { x: (s.from.x + s.to.x) / 2, y: (s.from.y + s.to.y) / 2 }, u));
  return parts;
}

function label(text, at, u) {
  const wide = (widthOf(text, 13) + 12) * u;
  const g = shape("g");
  g.append(shape("rect", { x: at.x - wide / 2, y: at.y - 9 * u, width: wide, height: 18 * u, fill: PAPER }), shape("text", { x: at.x, y: at.y + 4.6 * u, "font-size": 13 * u, "font-weight": 650, "text-anchor": "middle", fill: INK }, text));
  return g;
}

function limbs(joints, u) {
  const line = (pairs) => pairs.filter(([a, b]) => joints[a] && joints[b]).map(([a, b]) => `M${joints[a].x} ${joints[a].y}L${joints[b].x} ${joints[b].y}`).join("");
  const [farLines, nearLines] = [line(far), line(near)];
  const parts = [];
  if (farLines) parts.push(shape("path", { d: farLines, stroke: WHITE, "stroke-width": 4 * u, fill: "none" }), shape("path", { d: farLines, stroke: INK, "stroke-width": 2 * u, "stroke-dasharray": `${7 * u} ${4 * u}`, fill: "none" }));
  if (nearLines) parts.push(shape("path", { d: nearLines, stroke: WHITE, "stroke-width": 6 * u, fill: "none" }), shape("path", { d: nearLines, stroke: INK, "stroke-width": 3 * u, fill: "none" }));
  for (const [name, p] of Object.entries(joints)) parts.push(shape("circle", { cx: p.x, cy: p.y, r: (name.startsWith("Far") ? 4 : 5.2) * u, fill: WHITE, stroke: INK, "stroke-width": 2 * u, "data-joint": name }));
  return parts;
}

const TAG = 27;

/** Angles where they are, each with a tag beside the runner; tags stand to both sides in turn, from the top, and never on each other. */
function tagged(angles, u, view, most) {
  const sides = [[], []];
  // Where there is room for few, those that are out.
  const shown = [...angles].sort((a, b) => (a.word === "in") - (b.word === "in")).slice(0, most);
  shown.sort((a, b) => a.corner.y - b.corner.y).forEach((a, i) => sides[i % 2].push(a));
  const clear = 74 * u;
  return sides.flatMap((own, left) => {
    let free = view.top + (most > 3 ? 54 : 40) * u;
    return own.flatMap((a) => {
      const wide = (widthOf(a.name, 13, 500) + widthOf(a.text, 17, 800) + 30) * u;
      const x = Math.min(Math.max(left ? a.corner.x - clear - wide : a.corner.x + clear, view.left + 4 * u), view.right - wide - 4 * u);
      const y = Math.min(Math.max(free, a.corner.y - TAG * u), view.bottom - (TAG + 4) * u);
      free = y + (TAG + 8) * u;
      return arc(a, u, { x, y, wide, left });
    });
  });
}

function arc(a, u, { x, y, wide, left }) {
  const { corner: c } = a;
  const long = Math.hypot(a.to.x - c.x, a.to.y - c.y);
  const r = Math.min(44 * u, long * 0.62);
  const angle = (p) => Math.atan2(p.y - c.y, p.x - c.x);
  const [from, to] = [angle(a.from), angle(a.to)];
  let turn = to - from;
  while (turn > Math.PI) turn -= 2 * Math.PI;
  while (turn < -Math.PI) turn += 2 * Math.PI;
  const at = (w, d) => ({ x: c.x + Math.cos(w) * d, y: c.y + Math.sin(w) * d });
  const [start, end, middle] = [at(from, r), at(from + turn, r), at(from + turn / 2, r)];
  const isOut = a.word === "out" || a.word === "on the edge";
  const colour = isOut ? MIND : INK;
  const d = `M${start.x} ${start.y}A${r} ${r} 0 0 ${turn > 0 ? 1 : 0} ${end.x} ${end.y}`;
  const high = TAG * u;
  const tag = shape("g", { "data-angle": a.name });
  tag.append(
    shape("path", { d: `M${left ? x + wide : x} ${y + high / 2}L${middle.x} ${middle.y}`, stroke: colour, "stroke-width": 1.2 * u }),
    shape("rect", { x, y, width: wide, height: high, fill: isOut ? WHITE : INK, stroke: colour, "stroke-width": 2 * u }),
    shape("text", { x: x + 9 * u, y: y + 18 * u, "font-size": 13 * u, "font-weight": 500, fill: isOut ? MIND : WHITE }, a.name),
    shape("text", { x: x + wide - 9 * u, y: y + 19 * u, "font-size": 17 * u, "font-weight": 800, "text-anchor": "end", fill: isOut ? MIND : WHITE }, a.text));
  return [
    shape("path", { d: `M${c.x} ${c.y}L${at(from, r * 1.4).x} ${at(from, r * 1.4).y}`, stroke: INK, "stroke-width": 2 * u, "stroke-dasharray": `${2 * u} ${3 * u}` }),
    shape("path", { d, stroke: WHITE, "stroke-width": 6 * u, fill: "none" }), shape("path", { d, stroke: colour, "stroke-width": 3 * u, fill: "none" }), tag,
  ];
}

/** The timeline around a frame: contacts, flights, marks and their doubt, from the frames there are. */
export function drawTime(svg, { marks, sight, frame, count, width, narrow }) {
  const [per, gutter] = [narrow ? 5.6 : 5.47, narrow ? 0 : 52];
  const [room, top] = [width - gutter, 22];
  const shown = Math.max(10, Math.floor(room / per));
  // A clip that fits stands still; a longer one, and on a phone any, runs under the line of this frame.
  const first = !narrow && count <= shown ? 0 : frame - shown / 2;
  const x = (n) => gutter + (n - first) * per;
  const [from, to] = [Math.max(0, Math.ceil(first)), Math.min(count - 1, Math.floor(first + shown))];
  const parts = [];
  const add = (...all) => parts.push(shape(...all));
  let [small, big] = ["", ""];
  for (let n = from; n <= to; n++) { if (n % 10 === 0) big += `M${x(n)} ${top}v9`; else small += `M${x(n)} ${top}v5`; }
  add("path", { d: `M${x(from)} ${top}H${x(to)}`, stroke: INK, "stroke-width": 1.5 });
  add("path", { d: small, stroke: STONE, "stroke-width": 1 });
  add("path", { d: big, stroke: INK, "stroke-width": 1.5 });
  const each = narrow ? 10 : 20;
  for (let n = Math.ceil(from / each) * each; n <= to; n += each) add("text", { x: x(n), y: 14, "font-size": 13, "text-anchor": n === 0 && !narrow ? "start" : "middle", fill: INK2 }, n);
  if (!narrow) add("text", { x: 0, y: 14, "font-size": 13, fill: INK2 }, "frame");
  const lanes = { right: { y: 48, fill: INK }, left: { y: 92, fill: STONE } };
  for (const [name, { y, fill }] of Object.entries(lanes)) {
    add("path", { d: `M${gutter} ${y + 22}H${width}`, stroke: "#DCD5C2" });
    if (!narrow) add("text", { x: 0, y: y + 16, "font-size": 13, fill: INK }, name);
    for (const bar of (sight?.bars ?? []).filter((b) => b.foot === name)) {
      const [a, b] = [Math.max(bar.down ?? 0, first), Math.min(bar.off ?? (bar.down + 2), first + shown)];
      if (b <= a) continue;
      add("rect", { x: x(a), y, width: (b - a) * per, height: 22, fill, opacity: bar.off === undefined || bar.off === null || bar.down === undefined || bar.down === null ? 0.5 : 1 });
      if (bar.text && (b - a) * per > 26) add("text", { x: x((a + b) / 2), y: y + 15.5, "font-size": 13, "font-weight": 750, "text-anchor": "middle", fill: WHITE }, bar.text);
      // Each mark may lie anywhere in the frame before it.
      for (const end of [bar.down, bar.off]) if (end !== undefined && end !== null && end >= first && end <= first + shown) add("rect", { x: x(end - 1), y: y + 22, width: per * 2, height: 3.5, fill: "#B5A582" });
      if (narrow) continue;
      if (bar.down !== undefined && bar.down !== null) add("text", { x: x(bar.down), y: name === "right" ? y - 4 : y + 39, "font-size": 13, "font-weight": 750, "text-anchor": "middle", fill: bar.down === frame ? ACCENT : INK }, "D");
      if (bar.off !== undefined && bar.off !== null) add("text", { x: x(bar.off), y: name === "right" ? y - 4 : y + 39, "font-size": 13, "font-weight": 750, "text-anchor": "middle", fill: bar.off === frame ? ACCENT : INK }, "U");
    }
  }
  for (const air of sight?.airs ?? []) {
    const [a, b] = [Math.max(air.from, first), Math.min(air.to, first + shown)];
    if (b <= a) continue;
    add("path", { d: `M${x(air.from)} 77v8M${x(air.to)} 77v8M${x(a)} 81H${x(b)}`, stroke: INK2, "stroke-width": 1.2, fill: "none" });
    const mid = x((a + b) / 2);
    if ((b - a) * per > 34) { add("rect", { x: mid - 15, y: 74, width: 30, height: 14, fill: PAPER }); add("text", { x: mid, y: 85.5, "font-size": 12.5, "text-anchor": "middle", fill: INK2 }, air.text); }
  }
  for (const line of marks.lines) if (line.frame.number >= first && line.frame.number <= first + shown) { add("path", { d: `M${x(line.frame.number)} ${top}V134`, stroke: INK, "stroke-width": 1.6, "stroke-dasharray": "3 3" }); add("text", { x: x(line.frame.number) + 4, y: 131, "font-size": 12.5, "font-weight": 650, fill: INK }, `${line.at.amount} ${unitOf(line.at.unit)}`); }
  for (const body of marks.bodies) if (body.frame >= first && body.frame <= first + shown) add("circle", { cx: x(body.frame), cy: top, r: 4.2, fill: WHITE, stroke: INK, "stroke-width": 2 });
  add("path", { d: `M${x(frame)} ${top}V134`, stroke: ACCENT, "stroke-width": 2.5 });
  add("path", { d: `M${x(frame) - 7} ${top - 12}h14l-7 12z`, fill: ACCENT });
  svg.setAttribute("viewBox", `0 0 ${width} 138`);
  svg.replaceChildren(...parts);
  return { at: (px) => Math.round(first + (px - gutter) / per) };
}

export const unitOf = (unit) => ({ Yard: "yd", Foot: "ft" })[unit] ?? "m";

const cells = (row, values) => { for (const [text, className] of values) row.append(html("td", className, text)); return row; };

/** The table of steps. */
export function drawSteps(table, sight, frame, goTo) {
  const body = table.tBodies[0];
  body.replaceChildren(...sight.rows.map((r) => {
    const row = html("tr", r.frame === frame ? "here" : "");
    const first = html("td");
    const go = html("button", "film-go");
    go.type = "button";
    go.setAttribute("aria-label", `Show step ${r.number}, ${r.foot}`);
    go.append(html("b", "", r.number), document.createTextNode(r.foot));
    go.addEventListener("click", () => goTo(r.frame));
    first.append(go);
    row.append(first);
    return cells(row, [[r.contact, "figure"], [r.flight, "figure"], [r.frequency, "figure"], [r.length, "figure"]]);
  }), ...(sight.mean ? [cells(html("tr", "mean"), [["mean", "muted"], [sight.mean.contact, "figure"], [sight.mean.flight, "figure"], [sight.mean.frequency, "figure"], [sight.mean.length, "figure"]])] : []));
  table.hidden = sight.rows.length === 0;
}

/** A gauge an angle: the goal's range, what was measured and what it leaves open. */
export function drawGauges(list, angles) {
  list.replaceChildren(...angles.map((a) => {
    const row = html("div", `film-gauge ${a.word === "in" ? "in" : a.word ? "out" : ""}`);
    const [low, high] = [Math.min(a.low ?? a.degrees, a.degrees - a.within), Math.max(a.high ?? a.degrees, a.degrees + a.within)];
    const pad = Math.max(8, (high - low) * 0.35);
    const [least, most] = [Math.floor((low - pad) / 5) * 5, Math.ceil((high + pad) / 5) * 5];
    const x = (deg) => 2 + (192 * (deg - least)) / (most - least);
    const svg = shape("svg", { viewBox: "0 0 196 36", width: 196, height: 36, "aria-hidden": "true" });
    if (a.low !== undefined && a.low !== null) svg.append(shape("rect", { x: x(a.low), y: 2, width: x(a.high) - x(a.low), height: 15, fill: "url(#film-goal)", stroke: "#1E7A6B", "stroke-width": 1 }));
    svg.append(shape("path", { d: `M2 17H194M2 17v4M98 17v4M194 17v4`, stroke: INK2, fill: "none" }));
    const colour = a.word === "in" || !a.word ? INK : MIND;
    svg.append(shape("path", { d: `M${x(a.degrees - a.within)} 9.5H${x(a.degrees + a.within)}`, stroke: colour, "stroke-width": 2 }), shape("circle", { cx: x(a.degrees), cy: 9.5, r: 5, fill: colour, stroke: PAPER, "stroke-width": 1.2 }));
    for (const [at, value, anchor] of [[2, least, "start"], [98, Math.round((least + most) / 2), "middle"], [194, most, "end"]]) svg.append(shape("text", { x: at, y: 33, "font-size": 12, "text-anchor": anchor, fill: INK2 }, String(value).replace("-", "−")));
    row.append(html("span", "name", a.name), svg, html("b", "", a.text), html("span", "word", a.word));
    row.title = `± ${Math.max(1, Math.round(a.within))}°`;
    return row;
  }));
}
