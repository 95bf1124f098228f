// What runs by the clock beside the order: the session, the line, the forecast, the gates' signs of life, and the word that somebody has rested.
import { clock, live } from "./queue.js";
import { signal } from "./signal.js";

const GATES_SILENT = 35;
const GATES_TAKEN_AWAY = 600;
// Each set of gates' latest sign of life, by the server's clock.
const gatesAt = {};

/** Notes signs of life of sets of gates: how long each has been silent, ms. */
export function hearGates(silent, at) {
  for (const [name, since] of Object.entries(silent)) gatesAt[name] = at - since;
}

/** Draws every clock as it is now, with what Core says of the end. */
export function drawClocks(at, seen) {
  for (const el of document.querySelectorAll("[data-clock-from]")) el.textContent = clock((at - Number(el.dataset.clockFrom)) / 1000);
  drawLineClock(at);
  drawGates(at);
  if (seen) drawForecast(seen);
  tellRested();
}

// Whoever is on the line has rested: the next one may go.
let restingOn = null;
function tellRested() {
  const waits = document.querySelector('#t-entry [data-f="wait"]');
  const on = document.querySelector('#t-entry [data-f="athlete"]')?.value;
  const isResting = Boolean(waits && !waits.hidden);
  if (restingOn === on && on && !isResting) signal();
  restingOn = isResting ? on : null;
}

// When the session will end, as Core foresees it.
function drawForecast(seen) {
  const el = document.querySelector("[data-forecast]");
  if (!el || seen?.finish == null) return;
  el.textContent = `${Math.abs(seen.behind) < 15 ? "on plan" : seen.behind > 0 ? `${clock(seen.behind)} behind` : `${clock(-seen.behind)} ahead`}, ends ${clock(seen.finish)}`;
  el.classList.toggle("late", seen.over > Number(el.dataset.forecast));
}

// Gates give a sign of life every ten seconds or so; the coach should not learn of a flat battery from a missing time.
function drawGates(at) {
  const el = document.querySelector("[data-gates]");
  if (!el) return;
  const sets = Object.entries(JSON.parse(el.dataset.gates)).map(([name, sign]) => ({ name, silent: (at - Math.max(gatesAt[name] ?? 0, sign)) / 1000 })).filter((s) => s.silent < GATES_TAKEN_AWAY);
  const longest = sets.reduce((a, b) => (b.silent > a.silent ? b : a), { silent: -1 });
  const lost = longest.silent > GATES_SILENT;
  el.hidden = sets.length === 0;
  el.classList.toggle("lost", lost);
  const set = (part, words) => { const at = el.querySelector(part); if (at.textContent !== words) at.textContent = words; };
  set("[data-gates-name]", lost || sets.length === 1 ? longest.name || "Gates" : `${sets.length} sets of gates`);
  set("[data-gates-word]", lost ? `silent for ${clock(longest.silent)}` : "in touch");
}

// Time left on a line that is done by the clock, as "2:10 left" and then as "0:20 over".
function drawLineClock(at) {
  const el = document.querySelector("[data-line-clock]");
  const from = Number(live()?.dataset.lineFrom);
  if (!el || !from) return;
  const planned = Number(el.dataset.lineClock);
  const gone = (at - from) / 1000;
  const over = gone - planned;
  el.classList.toggle("late", over >= 1);
  el.querySelector("b").textContent = clock(Math.abs(over));
  el.querySelector("span").textContent = over < 1 ? `left of ${clock(planned)}` : `over the ${clock(planned)} planned`;
  el.querySelector("progress").value = Math.min(planned, Math.max(0, gone));
}
