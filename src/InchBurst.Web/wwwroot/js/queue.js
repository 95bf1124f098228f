// Draws the running order: as the server said it, or with what waits to be sent, as Core on the device says it. Who goes and who rests is worked out there.
import * as core from "./core.js";
import { boxesOf, clear, isBegun } from "./entry.js";

const OUT = ["otherwork", "held", "donefortoday"];
const LEFT = { otherwork: "Other drill", held: "Held", donefortoday: "Done" };

export const live = () => document.querySelector("[data-live]");
export const rows = () => [...document.querySelectorAll("[data-queue] > li")];
export const rowOf = (athlete) => rows().find((li) => li.dataset.athlete === String(athlete));
const goes = (li) => ["ready", "resting"].includes(li.dataset.state);

export function clock(seconds) {
  const whole = Math.max(0, Math.round(seconds));
  return `${Math.floor(whole / 60)}:${String(whole % 60).padStart(2, "0")}`;
}

/** Puts what Core says of the order into the rows. */
export function take(view) {
  const root = live();
  const list = document.querySelector("[data-queue]");
  if (!view || !root || !list || String(view.line) !== root.dataset.line || view.round !== Number(root.dataset.round)) return;
  root.dataset.reps = String(view.reps);
  const order = [];
  for (const row of view.rows) {
    const li = rowOf(row.athlete);
    if (!li) continue;
    order.push(li);
    li.dataset.state = asksAny(root) || OUT.includes(row.state) ? row.state : "plain";
    li.dataset.rep = String(row.rep);
    li.dataset.ready = row.ready == null ? "" : String(row.ready);
    li.dataset.lane = String(row.lane);
    li.dataset.side = row.side ?? "";
    li.dataset.warning = row.warning;
    li.dataset.holds = String(row.holds);
    if (OUT.includes(row.state)) li.querySelector("[data-small]").textContent = row.note;
  }
  // Whoever is on the line here stays at the top while others move.
  const on = order.find((li) => li.dataset.on && goes(li));
  if (on) order.unshift(...order.splice(order.indexOf(on), 1));
  // Where nobody waits for a turn the names stay where they are.
  if (asksAny(root) && rows().some((li, i) => order[i] && li !== order[i])) {
    const focused = list.contains(document.activeElement) ? document.activeElement : null;
    list.append(...order);
    focused?.focus({ preventScroll: true });
  }
}

/** Draws order, rests and waits as they are now. */
export function draw(now) {
  const root = live();
  if (!root || !document.querySelector("[data-queue]")) return;
  const order = rows();
  const counts = { ready: 0, resting: 0, finished: 0 };
  for (const li of order) {
    // Between two words of Core only the clock runs: a rest that has run down is over.
    if (li.dataset.state === "resting" && Number(li.dataset.ready || 0) <= now) li.dataset.state = "ready";
    const { state } = li.dataset;
    li.className = `q ${state}${li.dataset.on ? " on" : ""}`;
    if (!li.dataset.on && state in counts) counts[state] += 1;
    const bar = li.querySelector("progress");
    const wait = (Number(li.dataset.ready || 0) - now) / 1000;
    bar.hidden = state !== "resting";
    bar.value = Math.min(240, Math.max(0, wait));
    li.querySelector("button").disabled = asksAny(root) && OUT.includes(state);
    const small = li.querySelector("[data-small]");
    if (!OUT.includes(state) && state !== "plain") {
      const words = [`rep ${li.dataset.rep}`];
      if (Number(root.dataset.lanes) > 1 && state === "ready" && !li.dataset.on && Number(li.dataset.lane) > 0) words.push(`lane ${li.dataset.lane}`);
      if (state === "ready" && li.dataset.ready && wait < -15) words.push(`ready for ${clock(-wait)}`);
      if (li.dataset.warning) words.push("mind");
      small.textContent = state === "finished" ? "tap for an extra rep" : words.join(", ");
    }
    li.querySelector("[data-left]").textContent = state === "plain" ? "" : LEFT[state] ?? (state === "ready" ? "Ready" : state === "finished" ? "Finished" : clock(wait));
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
  const next = order.filter((li) => !li.dataset.on && goes(li)).slice(0, 12);
  while (mini.children.length > next.length) mini.lastElementChild.remove();
  while (mini.children.length < next.length) {
    const cell = document.createElement("button");
    cell.type = "button";
    cell.append(document.createElement("span"), document.createElement("b"));
    mini.append(cell);
  }
  next.forEach((li, i) => {
    const cell = mini.children[i];
    const { state } = li.dataset;
    cell.className = `q ${state}`;
    cell.dataset.call = li.dataset.athlete;
    cell.setAttribute("aria-label", `Call ${li.dataset.name}`);
    cell.firstElementChild.textContent = li.dataset.short;
    cell.lastElementChild.textContent = state === "ready" ? "Ready" : clock((Number(li.dataset.ready) - now) / 1000);
  });
}

/** What is expected of whoever is on the line stands in the empty boxes, the best to beat over them. */
export function showTargets(form, athlete) {
  if (core.isReady()) showLoad(form, athlete);
  core.expected(athlete, live().dataset.line).forEach((target, i) => {
    const box = boxesOf(form)[i];
    if (!box) return;
    if (target.points) box.dataset.points = target.points;
    box.placeholder = target.aim;
    const best = box.closest(".t-gate").querySelector("[data-best]");
    if (best) best.textContent = target.best;
  });
}

/** The load of whoever is on the line; nothing where Core cannot say it, rather than somebody else's. */
function showLoad(form, athlete) {
  const box = form.querySelector("[data-call-of]");
  if (!box) return;
  const said = core.called(athlete, live().dataset.line);
  box.hidden = !said;
  if (!said) return;
  for (const part of ["load", "plates", "window"]) box.querySelector(`[data-load="${part}"]`).textContent = said[part];
  const really = box.querySelector(".t-really");
  if (really) really.placeholder = said.kilograms == null ? "" : said.load.split(" ")[0];
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
  set("onit", Number(live().dataset.lanes) > 1 && Number(li.dataset.lane) > 0 ? `On the line, lane ${li.dataset.lane}` : "On the line");
  const warning = form.querySelector('[data-f="warning"]');
  warning.textContent = li.dataset.warning;
  warning.hidden = li.dataset.warning === "";
  const note = form.querySelector('[data-f="note"]');
  note.hidden = true;
  const more = form.querySelector('[data-f="more"]');
  more.dataset.person = li.dataset.athlete;
  more.href = `${live().dataset.url}?person=${li.dataset.athlete}`;
  const really = form.querySelector(".t-really");
  if (really) really.value = "";
  if (!core.isReady() && form.querySelector("[data-call-of]")) form.querySelector("[data-call-of]").hidden = true;
  showTargets(form, li.dataset.athlete);
  const rep = Number(li.dataset.rep);
  for (const el of document.querySelectorAll("[data-rep]")) if (el.tagName === "B") el.textContent = rep;
  document.querySelectorAll("[data-boxes] i").forEach((box, i) => { box.className = i + 1 < rep ? "done" : i + 1 === rep ? "now" : ""; });
  if (live().dataset.sides) {
    const side = form.querySelector(`input[name="side"][value="${li.dataset.side}"]`);
    for (const each of form.querySelectorAll('input[name="side"]')) each.defaultChecked = each === side;
    if (side) side.checked = true;
  }
  if (focus) boxesOf(form)[0]?.focus({ preventScroll: true });
}

/** Who goes next by the order as it stands, or undefined. */
export const nextUp = () => rows().find(goes);

/**
 * Puts on the line whom Core calls next, unless something is half typed there: then the word is only that another device was quicker.
 * Gives false when the page has nowhere to type it.
 */
export function lineUp(view) {
  const root = live();
  if (!view || !root || String(view.line) !== root.dataset.line || view.round !== Number(root.dataset.round)) return true;
  const form = root.querySelector("[data-marks]");
  const on = rows().find((li) => li.dataset.on);
  const first = view.rows.find((r) => ["ready", "resting"].includes(r.state));
  if (!form) { take(view); return !(first && root.querySelector("[data-counts]:not([hidden])")); }
  const value = (name) => form.querySelector(`[data-f="${name}"]`).value;
  if (isBegun(form) || form.querySelector(".t-doubt, [data-gate]")) {
    take(view);
    const note = form.querySelector('[data-f="note"]');
    const mine = view.rows.find((r) => String(r.athlete) === value("athlete"));
    const isTaken = mine && mine.rep > Number(value("rep")) && isBegun(form);
    if (isTaken) note.textContent = "Another device has a time for this rep. Yours will stand beside it as a second reading.";
    if (isTaken) note.hidden = false;
    return true;
  }
  if (on) delete on.dataset.on;
  take(view);
  if (first && on?.dataset.athlete === String(first.athlete) && value("rep") === String(first.rep)) { on.dataset.on = "yes"; root.classList.remove("all-through"); return true; }
  putOnLine(first && rowOf(first.athlete), form.contains(document.activeElement) || document.activeElement === document.body);
  return true;
}

const SAID = { done: "donefortoday", hold: "held", other: "otherwork" };

// What was just said of somebody stands here too while neither the server nor Core can be asked: pain, above all, keeps them from the line.
function alone(entry, root, li) {
  if (entry.does in SAID) {
    li.dataset.state = SAID[entry.does];
    li.querySelector("[data-small]").textContent = entry.reason ?? "";
  } else if (["save", "outcome", "skip"].includes(entry.does) && String(entry.line) === root.dataset.line && Number(entry.rep) === Number(li.dataset.rep)) {
    li.dataset.rep = Number(entry.rep) + 1;
    if (Number(li.dataset.rep) > Number(root.dataset.reps)) li.dataset.state = "finished";
  } else if (!["again", "later"].includes(entry.does)) return;
  li.parentElement.append(li);
  // Whose lane it is now nobody here can say.
  for (const each of rows()) each.dataset.lane = "0";
}

/**
 * Moves on after something that waits to be sent. Without Core's word the order stays as the server said it, and whoever has run goes to its end, so that the next time
 * is never typed under the same name.
 */
export function moveOn(entry, view) {
  const root = live();
  const li = rowOf(entry.athlete);
  if (!root || !li) return;
  const wasOn = Boolean(li.dataset.on);
  take(view);
  if (entry.does === "call") { if (view ? goes(li) || li.dataset.state === "finished" : true) putOnLine(li); return; }
  if (["back", "return", "other-change"].includes(entry.does)) return;
  if (!view) alone(entry, root, li);
  if (!wasOn) return;
  delete li.dataset.on;
  take(view);
  putOnLine(nextUp());
}
