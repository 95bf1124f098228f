// Draws what a time says; what it says was worked out elsewhere.
const SVG = "http://www.w3.org/2000/svg";
const text = (tag, className, words) => Object.assign(document.createElement(tag), { className, textContent: words });

function figure(value, unit, words, className = "") {
  const out = text("div", `t-fig ${className}`.trim(), "");
  const number = text("b", "", value);
  if (unit) number.append(text("small", "", unit));
  out.append(number, text("span", "", words));
  return out;
}

const shape = (tag, of, words) => {
  const out = document.createElementNS(SVG, tag);
  for (const [name, value] of Object.entries(of)) out.setAttribute(name, String(value));
  if (words) out.textContent = words;
  return out;
};

// The drop-off gauge: this rep against the day's best, the stop line, the reps before.
function gaugeOf(said, width) {
  const { share, stop, earlier } = said.gauge;
  const [left, right, most, least] = [4, width - 24, 1.01, Math.min(0.92, stop - 0.03)];
  const x = (at) => Math.round((left + ((right - left) * (Math.min(Math.max(at, least), most) - least)) / (most - least)) * 100) / 100;
  const [at, line, words] = [x(share), x(stop), (share * 100).toFixed(1)];
  const out = shape("svg", { class: "gauge", viewBox: `0 0 ${width} 62`, role: "img", "aria-label": `Drop-off: ${words}% of today's best, stop line ${Math.round(stop * 100)}%` });
  const [ink, accent] = ["#0B1118", "#C42F16"];
  out.append(
    shape("rect", { x: left, y: 18, width: line - left, height: 24, fill: "url(#over)" }),
    shape("rect", { x: Math.min(line, at), y: 22, width: Math.abs(at - line), height: 16, fill: said.stop ? accent : ink }),
    shape("rect", { x: left, y: 18, width: right - left, height: 24, fill: "none", stroke: ink, "stroke-width": 1.5 }),
    ...earlier.map((e) => shape("path", { d: `M${x(e)} 14V44`, stroke: ink, "stroke-width": 2, "stroke-dasharray": "3 2" })),
    shape("rect", { x: line - 2, y: 14, width: 4, height: 32, fill: accent }),
    shape("rect", { x: at - 2.5, y: 12, width: 5, height: 34, fill: ink }),
    shape("text", { x: at, y: 10, "font-size": 14, "font-weight": 750, "text-anchor": at < width * 0.25 ? "start" : at > width * 0.75 ? "end" : "middle", class: "cond", fill: ink }, words),
  );
  const from = Math.ceil(least * 100);
  for (let percent = from; percent <= 100; percent += 1) {
    const isStop = percent === Math.round(stop * 100);
    if (!isStop && percent !== 100 && (percent - from) % (least <= 0.92 ? 3 : 1) !== 0) continue;
    const tick = x(percent / 100);
    out.append(
      shape("path", { d: `M${tick} 42v4`, stroke: ink }),
      shape("text", { x: tick, y: 59, "font-size": 13, "text-anchor": tick < left + 8 ? "start" : "middle", class: "cond", "font-weight": isStop ? 750 : 500, fill: isStop ? accent : ink }, percent === 100 ? "100%" : String(percent)),
    );
  }
  return out;
}

/** The run that was logged or changed last, as the server draws it: what its time says, the gauge, splits, measures, what was seen. */
export function lastOf(last, url) {
  const out = document.createDocumentFragment();
  const first = last.name.split(" ")[0];
  if (last.panel || last.measures.length > 0) {
    const box = last.panel ? panelOf({ ...last.panel, dropOff: null }).firstElementChild : text("div", "t-last", "");
    box.dataset.lastRun = String(last.number);
    if (last.panel?.gauge) {
      const gauge = text("div", "t-gauge", "");
      const room = text("div", "", "");
      room.append(gaugeOf(last.panel, window.innerWidth > 1240 ? 330 : window.innerWidth > 700 ? 290 : 358));
      gauge.append(room, text("p", last.panel.stop ? "stop" : "", `${last.panel.dropOff}${last.panel.stop ? "" : " today"}`));
      if (last.panel.stop && !last.isDone) {
        const done = Object.assign(text("button", "btn btn-outline-dark", `Done for today: ${first}`), { type: "button" });
        Object.assign(done.dataset, { done: last.athlete, reason: last.panel.stop });
        gauge.append(done);
      }
      box.append(gauge);
    }
    if (last.panel && (last.panel.splits.length > 0 || last.panel.sides)) {
      const list = text("ul", "t-splits", "");
      list.append(...last.panel.splits.map((words) => text("li", "", words)));
      if (last.panel.sides) list.append(text("li", "sides", last.panel.sides));
      box.append(list);
    }
    for (const measure of last.measures) {
      const one = text("div", "t-fig", "");
      one.append(text("b", "t-measure", measure), text("span", "", last.panel ? "" : last.name));
      box.append(one);
    }
    out.append(box);
  }
  if (last.seen.length > 0) out.append(text("p", "t-seen", `Seen on ${first}, rep ${last.rep}: ${last.seen.join(", ")}`));
  if (last.readings > 1) {
    const more = text("p", "t-seen", `${last.readings} readings of this rep${last.note}. `);
    more.append(Object.assign(text("a", "", "See them"), { href: `${url.replace("/Trackside", "")}/Runs/${last.number}` }));
    out.append(more);
  }
  return out;
}

const WHAT = { timed: "Saved", measured: "Saved", nottimed: "No time", skipped: "Skipped", again: "Runs again" };

/** The foot of the page: what was done last, and the way to take it back; or, after that, the way to put it back. */
export function footOf(last, url, who, isTimed, said, back) {
  const out = document.createDocumentFragment();
  const word = text("span", "", "");
  out.append(word);
  const form = Object.assign(document.createElement("form"), { method: "post" });
  form.dataset.send = "online";
  const button = Object.assign(text("button", "btn", back ? "Put it back" : "Undo"));
  form.append(button);
  if (said) {
    word.dataset.toast = "";
    word.textContent = said;
    if (!back) return out;
    form.action = `${url}?handler=Undo&run=${back.run}&back=true${back.reading ? `&reading=${back.reading}` : ""}`;
    out.append(form);
    return out;
  }
  if (!last) { word.textContent = "Nothing saved yet"; return out; }
  if (last.what === "nottimed" && last.seen.length > 0) {
    word.append(`${last.name}${last.side ? `, ${last.side}` : ""}: `, text("b", "", last.seen.join(", ")), last.by === who ? "" : `, by ${last.by}`);
    button.dataset.key = "undo";
    form.action = `${url}?handler=Undo&run=${last.number}`;
    out.append(form);
    return out;
  }
  const isFigure = last.what === "timed" || last.what === "measured";
  word.append(last.what === "nottimed" && !isTimed ? "Noted for" : WHAT[last.what] ?? "Saved", " ", text("b", "", last.panel?.seconds ?? last.measures[0] ?? ""),
    ` ${isFigure ? "for " : ""}${last.name}${last.what === "again" ? "" : `, rep ${last.rep}`}${last.by === who ? "" : `, by ${last.by}`}`);
  button.dataset.key = "undo";
  form.action = `${url}?handler=Undo&run=${last.number}`;
  out.append(form);
  return out;
}

/** The latest runs, each to be opened. */
export function latestOf(latest, items, url) {
  return latest.map((run) => {
    const item = document.createElement("li");
    const link = Object.assign(document.createElement("a"), { href: `${url.replace("/Trackside", "")}/Runs/${run.number}` });
    link.append(text("b", "", run.name), " ", text("span", "", `${items[run.line] ?? ""}, rep ${run.rep}`), " ", text("b", "figure", run.figures));
    item.append(link);
    return item;
  });
}

/** What one time says, as the server draws it. */
export function panelOf(said) {
  const out = document.createDocumentFragment();
  const last = text("div", "t-last", "");
  const result = text("div", "t-result", "");
  result.append(text("span", "t-label", `${said.name}, ${said.label}`), text("b", "", said.seconds), " ", text("small", "", said.seconds.includes(":") ? "" : "s"));
  const speed = figure(said.speed, "", said.speedUnit);
  if (said.change) speed.append(text("span", "t-change", said.change));
  last.append(result, speed, said.share ? figure(said.share, "%", `${said.isBest ? "new best, was " : "of own best "}${said.best}`, said.isBest ? "best" : "") : figure("–", "", "first time over this"));
  if (said.load) last.append(text("p", "t-loadsaid", said.load));
  out.append(last);
  if (said.dropOff) out.append(text("p", said.stop ? "t-seen late" : "t-seen", said.dropOff));
  return out;
}

/** Doubts about figures, as the server asks them: beside the boxes, with the one key that says they are right. */
export function showDoubts(form, doubts) {
  form.querySelector(".t-doubt")?.remove();
  const boxes = [...form.querySelectorAll("[data-mark]")];
  for (const doubt of doubts) {
    const box = boxes[doubt.index];
    box?.setAttribute("aria-invalid", "true");
    box?.closest(".t-gate").classList.add(doubt.isImpossible ? "bad" : "odd");
  }
  const out = text("div", "t-doubt", "");
  out.setAttribute("role", "alert");
  out.dataset.here = "";
  out.append(...doubts.map((d) => text("p", "", d.message)));
  if (doubts.every((d) => !d.isImpossible)) {
    const yes = Object.assign(text("button", "btn btn-dark", "It is right, save it "), { name: "overrule", value: "true" });
    yes.dataset.overrule = "";
    yes.dataset.partKey = "y";
    yes.append(text("kbd", "", "y"));
    out.append(yes);
  } else out.append(text("p", "small", "Nothing was stored. Change the figure and save again."));
  form.querySelector(".t-chips").before(out);
  const first = boxes[doubts[0].index];
  first?.focus({ preventScroll: true });
  first?.select();
  out.scrollIntoView({ block: "nearest" });
}
