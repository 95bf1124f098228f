// Counts a line down that everybody does together: set by set, side by side, with the rests. What the steps are was worked out elsewhere.
import { remember, remembered } from "./memory.js";
import { clock, live } from "./queue.js";
import { showSound, signal } from "./signal.js";

const KEPT = "inch-burst-rhythm";
const place = () => `${live()?.dataset.live}:${live()?.dataset.line}:${live()?.dataset.round}`;

function read() {
  const kept = JSON.parse(remembered("sessionStorage", KEPT) ?? "null");
  return kept?.place === place() ? kept : { place: place(), step: 0, since: null };
}

const write = (at) => remember("sessionStorage", KEPT, JSON.stringify(at));

/** Draws where the line is, and moves it on when a step by the clock is over. */
export function drawRhythm() {
  const root = document.querySelector("[data-rhythm]");
  if (!root) return;
  const steps = JSON.parse(root.dataset.rhythm);
  let at = read();
  const was = at.step;
  for (let step = steps[at.step]; at.since && step && step.kind !== "Counted" && Date.now() - at.since >= step.seconds * 1000; step = steps[at.step]) {
    // After a rest, work by count begins when it begins; work by the clock begins at once.
    at = { place: at.place, step: at.step + 1, since: at.since + step.seconds * 1000 };
  }
  // Once, however many steps went by while the device slept.
  if (at.step !== was) {
    write(at);
    signal();
    root.querySelector("[data-r-told]").textContent = steps[at.step]?.says ?? "All done";
  }
  const step = steps[at.step];
  const gone = (at.since ? Date.now() - at.since : at.held ?? 0) / 1000;
  const set = (part, words) => { const el = root.querySelector(part); if (el.textContent !== words) el.textContent = words; };
  set("[data-r-left]", step ? clock(step.kind === "Counted" ? gone : step.seconds - gone) : "0:00");
  set("[data-r-says]", step ? step.says : "All done");
  const then = steps[at.step + 1];
  set("[data-r-then]", !step ? "on to the next line" : then ? `then ${then.kind === "Rest" ? `${then.says.toLowerCase()} ${clock(then.seconds)}` : then.says}` : "the last one");
  set("[data-r-go]", !at.since ? at.held || at.step > 0 ? "Go on" : "Start" : step?.kind === "Counted" ? "Done" : "Pause");
  root.classList.toggle("resting", step?.kind === "Rest");
  root.classList.toggle("over", !step);
  const [go, skip] = [root.querySelector("[data-r-go]"), root.querySelector("[data-r-skip]")];
  go.disabled = !step;
  skip.disabled = !step;
  const all = steps.reduce((sum, s) => sum + s.seconds, 0);
  root.querySelectorAll("[data-r-part]").forEach((part, i) => {
    part.style.setProperty("--share", String(Number(part.dataset.rPart) / all));
    part.style.setProperty("--done", String(i < at.step ? 1 : i === at.step ? Math.min(1, gone / steps[i].seconds) : 0));
  });
  if (root.dataset.shown) return;
  root.dataset.shown = "yes";
  showSound(root);
}

document.addEventListener("click", (event) => {
  const key = event.target.closest?.("[data-r-go], [data-r-skip], [data-r-again]");
  if (!key) return;
  const at = read();
  const steps = JSON.parse(key.closest("[data-rhythm]").dataset.rhythm);
  if ("rAgain" in key.dataset) write({ place: at.place, step: 0, since: null });
  else if (!at.since && "rGo" in key.dataset) write({ place: at.place, step: at.step, since: Date.now() - (at.held ?? 0) });
  else if ("rGo" in key.dataset && steps[at.step]?.kind !== "Counted") write({ place: at.place, step: at.step, since: null, held: Date.now() - at.since });
  else if (steps[at.step]) write({ place: at.place, step: at.step + 1, since: Date.now() });
  drawRhythm();
});
