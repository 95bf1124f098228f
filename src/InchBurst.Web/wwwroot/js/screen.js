// The screen: pictures from the server, what waits laid over them, Core on the device, and what runs with the clock.
import { drawClocks } from "./clocks.js";
import * as core from "./core.js";
import { boxesOf, isBegun, isDirty, restoreDraft } from "./entry.js";
import { here, hearMoment, now, view, waiting, who } from "./here.js";
import { KEPT, keep, kept } from "./kept.js";
import { shelf } from "./memory.js";
import { showChosen, showNoted } from "./notes.js";
import * as outbox from "./outbox.js";
import { panelOf } from "./panel.js";
import { openPerson } from "./person.js";
import { draw, lineUp, live, moveOn, rowOf, showTargets, take } from "./queue.js";
import { drawRhythm } from "./rhythm.js";

const TOAST = 8000;
let lastHtml = "";
// True when Core knows more than the picture the server last sent: changes came without one.
let isBehind = false;
// Lines and rounds of the session that Core on the device knows the times of.
let knownPlaces = "";

export const parse = (html) => new DOMParser().parseFromString(html, "text/html").querySelector("#live");

/** Keeps a word about what was just done here from being wiped away by what others do, for a while. */
export const holdWord = (isSaid = true) => { here.footUntil = isSaid ? Date.now() + TOAST : 0; };

function region(next, id) {
  const [old, fresh] = [document.getElementById(id), next.querySelector(`#${id}`)];
  if (old && fresh && !(old.contains(document.activeElement) && document.activeElement.matches("input, select, textarea"))) {
    for (const open of old.querySelectorAll("details[open]")) fresh.querySelector(`details.${open.className}`)?.setAttribute("open", "");
    old.replaceWith(fresh);
  }
}

function paint(html, own) {
  const next = parse(html);
  if (!next) return;
  const root = live();
  const form = root.querySelector("[data-marks]");
  const dialog = document.getElementById("t-person");
  // A word about what was just done here is not wiped away by what others do.
  const word = document.getElementById("t-word");
  if (!own && word && Date.now() < here.footUntil) next.querySelector("#t-word")?.replaceWith(word.cloneNode(true));
  const keepDialog = !own && dialog?.open && !next.querySelector("#t-person")?.open;
  // What is half typed stays under the fingers, whatever other devices do.
  if (!own && form && isBegun(form) && next.dataset.running && !next.querySelector(".t-doubt")) {
    const moved = next.dataset.line !== root.dataset.line;
    const note = form.querySelector('[data-f="note"]');
    const athlete = form.querySelector('[data-f="athlete"]').value;
    const mine = Number(form.querySelector('[data-f="rep"]').value);
    const theirs = next.querySelector(`li[data-athlete="${athlete}"]`);
    region(next, "t-top");
    if (moved) {
      note.textContent = "The session moved on to another line on another device. Save this one first.";
      note.hidden = false;
      return;
    }
    for (const id of ["t-line", "t-queue", "t-foot", "t-last", "t-after"]) region(next, id);
    Object.assign(root.dataset, next.dataset);
    const taken = theirs && Number(theirs.dataset.rep) > mine;
    for (const li of root.querySelectorAll("[data-queue] > li")) delete li.dataset.on;
    if (rowOf(athlete)) rowOf(athlete).dataset.on = "yes";
    note.textContent = taken ? "Another device has a time for this rep. Yours will stand beside it as a second reading." : "";
    note.hidden = !taken;
    return;
  }
  for (const open of root.querySelectorAll("details[open]")) if (open.className) next.querySelector(`details.${open.className}`)?.setAttribute("open", "");
  if (keepDialog) next.querySelector("#t-person")?.replaceWith(dialog);
  const typing = document.activeElement?.id;
  const box = form ? boxesOf(form).indexOf(document.activeElement) : -1;
  const columns = [".t-main", ".t-queue"];
  const tops = columns.map((c) => root.querySelector(c)?.scrollTop ?? 0);
  root.replaceWith(next);
  if (next.dataset.line === root.dataset.line) columns.forEach((c, i) => { const column = next.querySelector(c); if (column) column.scrollTop = tops[i]; });
  // At once, in the same turn: the next key belongs to the box, not to the page.
  const fresh = next.querySelector("[data-marks]");
  if (box >= 0 && fresh) boxesOf(fresh)[Math.min(box, boxesOf(fresh).length - 1)].focus({ preventScroll: true });
  if (keepDialog && !dialog.open) dialog.showModal();
  if (typing && typing !== "t-entry") document.getElementById(typing)?.focus({ preventScroll: true });
}

// ---- Core on the device

/** Brings Core and the session, from the server or from what was kept. */
export async function bringCore() {
  const root = live();
  if (!root?.dataset.device || !root.dataset.running) return;
  const url = `${root.dataset.url}?handler=Device`;
  core.start(root.dataset.device).catch(() => {});
  const answer = await fetch(url, { headers: { Part: "live" } }).catch(() => null);
  const on = await shelf(KEPT);
  if (answer?.ok) await on?.put(`/kept${url}`, answer.clone());
  const document = answer?.ok ? await answer.text() : await (await on?.match(`/kept${url}`))?.text();
  if (!document) return;
  await core.load(root.dataset.device, document);
  knownPlaces = live().dataset.places;
  tellCore();
  lineUp(view());
  const form = live().querySelector("[data-marks]");
  if (form) showTargets(form, form.querySelector('[data-f="athlete"]').value);
  window.document.documentElement.dataset.core = "ready";
  window.document.dispatchEvent(new Event("core-ready"));
  tick();
}

// The latest word of the server, whichever line is shown: without a signal another line is drawn from what was kept of it earlier.
function tellCore() {
  if (!core.isReady()) return;
  const state = parse(picture() || live().outerHTML)?.querySelector("#t-state") ?? live().querySelector("#t-state");
  if (state) core.hear(state.textContent);
  // Lines that were added have bests of their own.
  if (here.reached && live().dataset.places !== knownPlaces) { knownPlaces = live().dataset.places; bringCore().catch(() => {}); }
}

/** What is typed says what it means while it is typed, under the name it will be saved for. */
function sayTyping(form) {
  const last = document.getElementById("t-last");
  if (!last || form.id !== "t-entry") return;
  let said = last.querySelector(".t-typing");
  const panel = isDirty(form) ? core.judge(form.getAttribute("action"), [...new FormData(form)], now())?.panel : null;
  last.classList.toggle("is-typing", Boolean(panel));
  if (!panel) { said?.remove(); return; }
  if (!said) { said = Object.assign(document.createElement("div"), { className: "t-typing" }); last.prepend(said); }
  said.replaceChildren(panelOf(panel));
}

document.addEventListener("input", (event) => { const form = event.target.closest?.("[data-marks]"); if (form && core.isReady()) sayTyping(form); });

// ---- what the server says

/** Takes a picture as the latest word of the server. */
export function hear(html, root, own) {
  lastHtml = html;
  isBehind = false;
  if (own && root.querySelector("[data-toast]")) holdWord();
  hearMoment(Number(root.dataset.now));
  return root.dataset.running ? keep(html, root) : Promise.resolve();
}

/** Shows what the server said, and on top of it what it has not heard yet. */
export async function show(html, own = false) {
  const root = parse(html);
  if (!root) { window.location.assign(live().dataset.url); return; }
  if (isOlder(root.dataset.stamp, live().dataset.stamp)) return;
  const isKept = hear(html, root, own);
  if (root.dataset.ended && here.pending.length === 0) { window.location.assign(root.dataset.ended); return; }
  await rebuild(own);
  await isKept;
}

/** Answers may overtake each other; one from before what is on screen would bring back what is done. */
export function isOlder(stamp, than) {
  const [[run, at], [otherRun, otherAt]] = [stamp, than].map((s) => (s ?? "").split("-"));
  return run === otherRun && Number(at) < Number(otherAt);
}

/** Asks the server for the picture as it is now. */
export async function refresh() {
  const answer = await fetch(live().dataset.url, { headers: { Part: "live" }, signal: AbortSignal.timeout(8000) }).catch(() => null);
  if (answer?.ok && !answer.url.includes("/SignIn")) await show(await answer.text());
}

/** The picture the server last sent, brought up to date with what came since. */
export function picture() {
  if (!isBehind) return lastHtml;
  const root = parse(lastHtml);
  root.querySelector("#t-state").textContent = core.told();
  root.dataset.stamp = live().dataset.stamp;
  if (root.dataset.line === live().dataset.line && root.dataset.round === live().dataset.round) {
    for (const part_ of ["#t-last", "#t-word", "#t-queue", "#t-line", "#t-entry .t-athlete"]) {
      const shown = document.querySelector(part_)?.cloneNode(true);
      shown?.querySelector(".t-typing")?.remove();
      if (shown) root.querySelector(part_)?.replaceWith(shown);
    }
    for (const name of ["athlete", "rep"]) {
      const [to, from] = [root, document].map((d) => d.querySelector(`#t-entry [data-f="${name}"]`));
      if (to && from) to.setAttribute("value", from.value);
    }
    root.classList.toggle("all-through", live().classList.contains("all-through"));
  }
  lastHtml = root.outerHTML;
  isBehind = false;
  return lastHtml;
}

/** Says that Core knows more than the last picture. */
export const fallBehind = () => { isBehind = true; };

/** Takes what was kept of this page for the server's latest word. */
export const begunWith = (html) => { lastHtml = html; };

// ---- drawing

/** Draws the page anew, with what waits laid over what the server said. */
export async function rebuild(own) {
  const moved = here.pending.findLast((e) => !e.held && e.does === "line");
  const elsewhere = moved && await kept(`?line=${moved.line}&round=${moved.round}`);
  // From here to the end of drawing nothing is waited for, so nothing can be entered in between.
  paint(elsewhere ?? picture(), own);
  if (elsewhere) live().dataset.lineFrom = String(moved.at);
  tellCore();
  for (const entry of waiting()) moveOn(entry, view());
  if (core.isReady()) lineUp(view());
  await ready();
}

/** Makes a page that was just drawn ready to type into. */
export async function ready() {
  const root = live();
  if (!root) return;
  showChosen();
  tick();
  await tell();
  const form = root.querySelector("[data-marks]");
  if (form && core.isReady()) showTargets(form, form.querySelector('[data-f="athlete"]').value);
  if (form && !form.dataset.prepared) {
    form.dataset.prepared = "yes";
    if (!form.querySelector(".t-doubt")) restoreDraft(form);
    if (getComputedStyle(form.querySelector("[data-pad]")).display !== "none") for (const box of boxesOf(form)) box.inputMode = "none";
    // Never away from a box in which typing has begun.
    const bad = form.querySelector(".bad [data-mark], .odd [data-mark]");
    const fromGates = form.querySelector("[data-gate]");
    if (!document.querySelector("dialog[open]") && (bad || fromGates || !isDirty(form))) {
      const box = bad ?? boxesOf(form)[0];
      box?.focus({ preventScroll: true });
      if (box?.value) box.select();
    }
  }
  const dialog = document.getElementById("t-person");
  if (dialog?.hasAttribute("open") && !dialog.matches(":modal")) { dialog.removeAttribute("open"); openPerson(dialog.querySelector('input[name="athlete"]').value, true); }
  goOn();
}

/** Where everyone has run, the next line has the focus. */
export function goOn() {
  const root = live();
  const form = root.querySelector("[data-marks]");
  const at = document.activeElement;
  const isFree = at === document.body || at === null || form?.contains(at);
  if (root.dataset.running && (!form || root.classList.contains("all-through")) && isFree && !document.querySelector("dialog[open]")) [...root.querySelectorAll(".t-next")].find((b) => b.offsetParent)?.focus({ preventScroll: true });
}

/** Draws what moves with the clock. */
export function tick() {
  const seen = view();
  take(seen);
  draw(now());
  showNoted(seen);
  drawRhythm();
  drawClocks(now(), seen);
}

/** Says what waits and whether the server is reached. */
export async function tell() {
  const chip = document.querySelector("[data-waiting]");
  if (!chip) return;
  const all = await outbox.all();
  const held = all.filter((e) => e.held || outbox.isOthers(e, who())).length;
  const queued = all.length - held;
  const words = [];
  if (here.signIn) words.push("Sign in again");
  else if (!here.reached) words.push("No signal");
  if (queued > 0 && (!here.reached || here.signIn)) words.push(`${queued} waiting to send`);
  if (all.some(outbox.isOnPage) && !here.reached) words.push("leave this page open");
  if (held > 0) words.push(`${held} ${held === 1 ? "time" : "times"} to check`);
  chip.hidden = words.length === 0;
  chip.classList.toggle("held", held > 0);
  chip.querySelector("[data-waiting-text]").textContent = words.join(", ");
  document.body.classList.toggle("no-signal", !here.reached);
}
