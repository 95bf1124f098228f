// What is seen on a line without times: a name, then a tap a note. How often each was noted before is counted elsewhere.
import * as core from "./core.js";
import { live } from "./queue.js";

let chosen = null;

const form = () => document.getElementById("t-note");
const radios = () => [...form()?.elements.athlete ? form().querySelectorAll('input[name="athlete"]') : []];

/** Chooses whose notes are taken. */
export function choose(athlete, line = live()?.dataset.line) {
  chosen = athlete == null ? null : { athlete: String(athlete), line };
  showChosen();
}

/** Shows whose notes are taken, after drawing anew too, and how often each thing was noted of them. */
export function showChosen() {
  if (!form()) return;
  const on = chosen?.line === live()?.dataset.line ? chosen.athlete : null;
  for (const radio of radios()) radio.checked = radio.value === on;
  for (const row of document.querySelectorAll("[data-queue] > li")) row.toggleAttribute("data-chosen", row.dataset.athlete === on);
  const before = on ? core.seen(on) : {};
  for (const small of form().querySelectorAll("[data-before]")) small.textContent = before[small.dataset.before] ? `${before[small.dataset.before]} before` : "";
}

/** After something good the next name is chosen; after something to mend the same one stays. */
export function noted(isGood) {
  if (!isGood || !chosen) { showChosen(); return; }
  const all = radios().map((r) => r.value);
  choose(all[(all.indexOf(chosen.athlete) + 1) % all.length]);
}

/** Puts what was noted on this line beside the names. */
export function showNoted(view) {
  for (const row of view?.rows ?? []) {
    const words = `${row.noted.times}${row.noted.isGood}`;
    for (const at of document.querySelectorAll(`[data-noted="${row.athlete}"]:not([data-words="${words}"])`)) {
      at.dataset.words = words;
      at.replaceChildren(...Array.from({ length: Math.min(3, row.noted.times) }, () => document.createElement("u")), ...(row.noted.isGood ? ["✓"] : []));
    }
  }
}

document.addEventListener("change", (event) => { if (event.target.matches?.('#t-note input[name="athlete"]')) choose(event.target.value); });
