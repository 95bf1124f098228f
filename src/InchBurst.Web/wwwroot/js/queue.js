// The running order as this device shows it between two words from the server: rests run down, the rested move up, and what waits to be sent counts already.
import { boxesOf, clear } from "./entry.js";
import { headline } from "./meaning.js";

const RANK = { ready: 0, resting: 1, finished: 2, otherwork: 3, held: 4, donefortoday: 5 };
const OUT = ["otherwork", "held", "donefortoday"];
const LEFT = { otherwork: "Other drill", held: "Held", donefortoday: "Done" };

export const live = () => document.querySelector("[data-live]");
export const rows = () => [...document.querySelectorAll("[data-queue] > li")];
export const rowOf = (athlete) => rows().find((li) => li.dataset.athlete === String(athlete));
const asks = () => live()?.querySelector("[data-marks]") !== null;

export function clock(seconds) {
  const whole = Math.max(0, Math.round(seconds));
  return `${Math.floor(whole / 60)}:${String(whole % 60).padStart(2, "0")}`;
}

function stateOf(li, now) {
  const state = li.dataset.state;
  if (OUT.includes(state) || state === "plain") return state;
  if (Number(li.dataset.rep) > Number(live().dataset.reps) && !li.dataset.on) return "finished";
  return Number(li.dataset.ready || 0) > now ? "resting" : "ready";
}

function sorted(now) {
  const key = (li) => {
    const state = stateOf(li, now);
    return [RANK[state] ?? 0, state === "resting" ? Number(li.dataset.ready) : 0, Number(li.dataset.rep), Number(li.dataset.order)];
  };
  return rows().map((li) => ({ li, key: key(li) })).sort((a, b) => a.key.reduce((d, k, i) => d || k - b.key[i], 0)).map((x) => x.li);
}

// Lanes are taken in turn: place 0 is whoever is on the line.
const laneOf = (place) => (Number(live().dataset.gone) + place) % Number(live().dataset.lanes) + 1;

/** Draws order, rests and waits as they are now. */
export function draw(now) {
  const root = live();
  const list = document.querySelector("[data-queue]");
  if (!root || !list) return;
  const order = sorted(now);
  if (rows().some((li, i) => li !== order[i])) {
    const focused = list.contains(document.activeElement) ? document.activeElement : null;
    list.append(...order);
    focused?.focus({ preventScroll: true });
  }
  const counts = { ready: 0, resting: 0, finished: 0 };
  let place = rows().some((li) => li.dataset.on) ? 1 : 0;
  for (const li of order) {
    const state = stateOf(li, now);
    li.className = `q ${state}${li.dataset.on ? " on" : ""}`;
    if (!li.dataset.on && state in counts) counts[state] += 1;
    const left = li.querySelector("[data-left]");
    const bar = li.querySelector("progress");
    const wait = (Number(li.dataset.ready || 0) - now) / 1000;
    bar.hidden = state !== "resting";
    bar.value = Math.min(240, Math.max(0, wait));
    li.querySelector("button").disabled = asksAny(root) && OUT.includes(state);
    const small = li.querySelector("[data-small]");
    if (!OUT.includes(state) && state !== "plain") {
      const words = [`rep ${li.dataset.rep}`];
      if (Number(root.dataset.lanes) > 1 && state === "ready" && !li.dataset.on) words.push(`lane ${laneOf(place)}`);
      if (state === "ready" && li.dataset.ready && wait < -15) words.push(`ready for ${clock(-wait)}`);
      if (li.dataset.warning) words.push("mind");
      small.textContent = state === "finished" ? "tap for an extra rep" : words.join(", ");
    }
    if (!li.dataset.on && (state === "ready" || state === "resting")) place += 1;
    left.textContent = state === "plain" ? "" : LEFT[state] ?? (state === "ready" ? "Ready" : state === "finished" ? "Finished" : clock(wait));
  }
  const said = document.querySelector("[data-counts]");
  if (said) said.textContent = `${counts.ready} ready, ${counts.resting} resting, ${counts.finished} finished`;
  drawMini(order, now);
  const on = order.find((li) => li.dataset.on);
  const waits = document.querySelector('[data-f="wait"]');
  if (on && waits) {
    const left = (Number(on.dataset.ready || 0) - now) / 1000;
    waits.hidden = left <= 0;
    waits.querySelector("b").textContent = clock(left);
  }
}

const asksAny = (root) => root.querySelector("[data-marks]") !== null || root.querySelector("[data-counts]:not([hidden])") !== null;

function drawMini(order, now) {
  const mini = document.querySelector("[data-mini]");
  if (!mini) return;
  const next = order.filter((li) => !li.dataset.on && ["ready", "resting"].includes(stateOf(li, now))).slice(0, 12);
  while (mini.children.length > next.length) mini.lastElementChild.remove();
  while (mini.children.length < next.length) {
    const cell = document.createElement("button");
    cell.type = "button";
    cell.append(document.createElement("span"), document.createElement("b"));
    mini.append(cell);
  }
  next.forEach((li, i) => {
    const cell = mini.children[i];
    const state = stateOf(li, now);
    cell.className = `q ${state}`;
    cell.dataset.call = li.dataset.athlete;
    cell.setAttribute("aria-label", `Call ${li.dataset.name}`);
    cell.firstElementChild.textContent = shortName(li.dataset.name);
    cell.lastElementChild.textContent = state === "ready" ? "Ready" : clock((Number(li.dataset.ready) - now) / 1000);
  });
}

// A first name, or the last one where two have the same first.
function shortName(name) {
  const [first, ...rest] = name.split(" ");
  return rows().filter((li) => li.dataset.name.split(" ")[0] === first).length > 1 && rest.length > 0 ? rest.join(" ") : first;
}

/** Brings an athlete to the line on this device. */
export function putOnLine(li, focus = true) {
  const form = live().querySelector("[data-marks]");
  for (const other of rows()) delete other.dataset.on;
  const through = !li;
  live().classList.toggle("all-through", through);
  if (!form) return;
  clear(form);
  if (through) return;
  li.dataset.on = "yes";
  for (const gone of form.querySelectorAll(".t-doubt, .t-fromgates, [data-gate]")) gone.remove();
  const set = (name, value) => { const el = form.querySelector(`[data-f="${name}"]`); if (el) { if ("value" in el && el.type === "hidden") el.value = value; else el.textContent = value; } };
  set("athlete", li.dataset.athlete);
  set("rep", li.dataset.rep);
  set("name", li.dataset.name);
  set("onit", Number(live().dataset.lanes) > 1 ? `On the line, lane ${laneOf(0)}` : "On the line");
  const warning = form.querySelector('[data-f="warning"]');
  warning.textContent = li.dataset.warning;
  warning.hidden = li.dataset.warning === "";
  const note = form.querySelector('[data-f="note"]');
  note.hidden = true;
  const more = form.querySelector('[data-f="more"]');
  more.dataset.person = li.dataset.athlete;
  more.href = `${live().dataset.url}?person=${li.dataset.athlete}`;
  const rep = Number(li.dataset.rep);
  for (const el of document.querySelectorAll("[data-rep]")) if (el.tagName === "B") el.textContent = rep;
  document.querySelectorAll("[data-boxes] i").forEach((box, i) => { box.className = i + 1 < rep ? "done" : i + 1 === rep ? "now" : ""; });
  if (live().dataset.sides) {
    const side = form.querySelector(`input[name="side"][value="${rep % 2 === 1 ? "Left" : "Right"}"]`);
    for (const each of form.querySelectorAll('input[name="side"]')) each.defaultChecked = each === side;
    if (side) side.checked = true;
  }
  if (focus) boxesOf(form)[0]?.focus({ preventScroll: true });
}

/** Today's headline times of an athlete on this line, as far as this device knows. */
export const todayOf = (athlete) => (live().dataset.sides ? [] : (rowOf(athlete)?.dataset.today ?? "").split(" ").filter(Boolean).map(Number));

/** Who goes next by the order as it stands, or undefined. */
export const nextUp = (now) => sorted(now).find((li) => ["ready", "resting"].includes(stateOf(li, now)));

/** Counts something that waits to be sent as done. What the server has already counted is not counted again. */
export function apply(entry, now) {
  const root = live();
  const li = rowOf(entry.athlete);
  const before = document.querySelector("[data-queue] > li[data-on=yes]");
  if (!root || !li) return;
  const rest = () => {
    const set = Number(root.dataset.set);
    const done = Number(li.dataset.rep) - 1;
    return (done > 0 && done % set === 0 ? Number(root.dataset.setRest) : Number(root.dataset.rest)) * 1000;
  };
  const leave = () => { if (li === before) { delete li.dataset.on; putOnLine(nextUp(now)); } };
  if (entry.does === "save" && String(entry.line) === root.dataset.line && Number(entry.rep) === Number(li.dataset.rep)) {
    const form = root.querySelector("[data-marks]");
    const seconds = form && headline(form, entry.fields?.filter(([k]) => k === "mark").map(([, v]) => v) ?? []);
    // The two sides of a one-sided line are never set beside each other, and their times take turns.
    if (seconds && !root.dataset.sides) li.dataset.today = `${li.dataset.today ?? ""} ${seconds.toFixed(4)}`.trim();
  }
  switch (entry.does) {
    case "save": case "outcome": case "skip": case "again":
      if (entry.does !== "skip" && String(entry.line) === root.dataset.line && Number(entry.rep) === Number(li.dataset.rep)) root.dataset.gone = Number(root.dataset.gone) + 1;
      if (entry.does !== "again" && String(entry.line) === root.dataset.line && Number(entry.rep) === Number(li.dataset.rep)) li.dataset.rep = Number(entry.rep) + 1;
      if (entry.does !== "skip") li.dataset.ready = Math.max(Number(li.dataset.ready || 0), entry.at + rest());
      leave();
      break;
    case "call":
      if (!OUT.includes(li.dataset.state)) putOnLine(li);
      break;
    case "done": li.dataset.state = "donefortoday"; li.querySelector("[data-small]").textContent = entry.reason ?? ""; leave(); break;
    case "hold": li.dataset.state = "held"; li.querySelector("[data-small]").textContent = entry.reason || "tight or sore"; leave(); break;
    case "other": li.dataset.state = "otherwork"; li.querySelector("[data-small]").textContent = entry.reason ?? ""; leave(); break;
    case "back": case "return": li.dataset.state = "ready"; break;
    case "later": li.dataset.order = 1 + Math.max(...rows().map((r) => Number(r.dataset.order))); leave(); break;
    default:
  }
}
