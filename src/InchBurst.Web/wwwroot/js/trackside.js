// Trackside: one page that works with and without a signal, beside other devices on the same session.
import * as outbox from "./outbox.js";
import { drawClocks, hearGates } from "./clocks.js";
import * as core from "./core.js";
import { askPart, boxesOf, clear, isBegun, isDirty, restoreDraft } from "./entry.js";
import { KEPT, keep, keepOn, kept } from "./kept.js";
import { remember, remembered, shelf } from "./memory.js";
import { choose, noted, showChosen, showNoted } from "./notes.js";
import { footOf, lastOf, latestOf, panelOf, showDoubts } from "./panel.js";
import { draw, lineUp, live, moveOn, rowOf, showTargets, take } from "./queue.js";
import { busy, say } from "./requests.js";
import { drawRhythm } from "./rhythm.js";
import { openWaiting } from "./waiting.js";

const OFFSET = "inch-burst-clock-offset";
const GAP = 400;
const TOAST = 8000;
const FORECAST = 30000;
let offset = Number(remembered("localStorage", OFFSET) ?? 0);
let lastHtml = "";
// True when Core knows more than the picture the server last sent: changes came without one.
let isBehind = false;
// Changes that came before the one they follow.
const ahead = new Map();
let gap;
let keeping;
// What this page knows to be waiting, in step with the device's storage, so that drawing anew never forgets what was just entered.
let pending = [];
let reached = true;
let signIn = false;
let retry;
let wait = 1000;
let asking = 0;
let beat = 0;
let footUntil = 0;
let heard = false;
// The last time entered, while it is not known whether the server will say what it means.
let unsaid = null;
// Lines and rounds of the session that Core on the device knows the times of.
let knownPlaces = "";

const now = () => Date.now() + offset;
const session = () => live()?.dataset.live;
const who = () => live()?.dataset.who;
const parse = (html) => new DOMParser().parseFromString(html, "text/html").querySelector("#live");

// ---- showing

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
  if (!own && word && Date.now() < footUntil) next.querySelector("#t-word")?.replaceWith(word.cloneNode(true));
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

// ---- Core on the device: who goes, who rests and what the times say, with what waits counted as done

const waiting = () => pending.filter((e) => !e.held);
const view = () => core.see(waiting(), now(), live()?.dataset.line, live()?.dataset.round);

async function bringCore() {
  const root = live();
  if (!root?.dataset.device || !root.dataset.running) return;
  const url = `${root.dataset.url}?handler=Device`;
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
  tick();
}

// The latest word of the server, whichever line is shown: without a signal another line is drawn from what was kept of it earlier.
function tellCore() {
  if (!core.isReady()) return;
  const state = parse(picture() || live().outerHTML)?.querySelector("#t-state") ?? live().querySelector("#t-state");
  if (state) core.hear(state.textContent);
  // Lines that were added have bests of their own.
  if (reached && live().dataset.places !== knownPlaces) { knownPlaces = live().dataset.places; bringCore().catch(() => {}); }
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

// The server's clock counts: the phones around a track never agree.
function hear(html, root, own) {
  lastHtml = html;
  isBehind = false;
  if (own && root.querySelector("[data-toast]")) footUntil = Date.now() + TOAST;
  // An answer is as old as its way was long, so of several the one that puts the server latest is nearest to the truth.
  const told = Number(root.dataset.now) - Date.now();
  offset = heard ? Math.max(offset, told) : told;
  heard = true;
  remember("localStorage", OFFSET, String(offset));
  if (root.dataset.running) keep(html, root);
}

/** Shows what the server said, and on top of it what it has not heard yet. */
async function show(html, own = false) {
  const root = parse(html);
  if (!root) { window.location.assign(live().dataset.url); return; }
  if (isOlder(root.dataset.stamp, live().dataset.stamp)) return;
  hear(html, root, own);
  if (root.dataset.ended && pending.length === 0) { window.location.assign(root.dataset.ended); return; }
  await rebuild(own);
}

// Answers may overtake each other; one from before what is on screen would bring back what is done.
function isOlder(stamp, than) {
  const [[run, at], [otherRun, otherAt]] = [stamp, than].map((s) => (s ?? "").split("-"));
  return run === otherRun && Number(at) < Number(otherAt);
}

// ---- changes: what another device or this one did, told without a picture

const part = () => (core.isReady() ? "change" : "live");

// The picture with what came since, for when the page is drawn anew or opened without a signal.
function picture() {
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

/** Takes in what changed. Changes follow each other; where one is missing, the picture is fetched. */
function takeIn(news, own = false, said = null, back = null) {
  const root = live();
  if (!root) return;
  let isNew = false;
  if (news.from === root.dataset.stamp) {
    for (let next = news; next; next = ahead.get(root.dataset.stamp)) {
      ahead.delete(next.from);
      core.change(next.change);
      root.dataset.stamp = next.to;
      isNew = true;
    }
  } else if (news.to !== root.dataset.stamp && !isOlder(news.to, root.dataset.stamp)) {
    ahead.set(news.from, news);
    clearTimeout(gap);
    gap = setTimeout(() => { if (ahead.size > 0) { ahead.clear(); refresh(); } }, GAP);
    return;
  }
  if (!isNew && !own) return;
  isBehind = true;
  const seen = view();
  if (!lineUp(seen)) { refresh(); return; }
  drawLast(seen, own, said, back);
  tick();
  goOn();
  clearTimeout(keeping);
  keeping = setTimeout(() => { const html = picture(); keep(html, parse(html)); }, 1000);
}

// Where everyone has run, the next line has the focus.
function goOn() {
  const root = live();
  const form = root.querySelector("[data-marks]");
  const at = document.activeElement;
  const isFree = at === document.body || at === null || form?.contains(at);
  if (root.dataset.running && (!form || root.classList.contains("all-through")) && isFree && !document.querySelector("dialog[open]")) [...root.querySelectorAll(".t-next")].find((b) => b.offsetParent)?.focus({ preventScroll: true });
}

function drawLast(seen, own, said, back) {
  const root = live();
  const panel = document.getElementById("t-last");
  const form = root.querySelector("[data-marks]");
  // What is said of figures that are still typed stays; of those that are saved nothing is left to say.
  const typing = form && isDirty(form) ? panel?.querySelector(".t-typing") : null;
  panel?.classList.toggle("is-typing", Boolean(typing));
  panel?.replaceChildren(...(typing ? [typing] : []), ...(seen.last ? [lastOf(seen.last, root.dataset.url)] : []));
  const list = root.querySelector("[data-latest]");
  if (list) {
    list.replaceChildren(...latestOf(seen.latest, JSON.parse(list.dataset.latest), root.dataset.url));
    list.closest("details").hidden = seen.latest.length === 0;
  }
  // A word about what was just done here is not wiped away by what others do.
  if (!own && Date.now() < footUntil) return;
  document.getElementById("t-word")?.replaceChildren(footOf(seen.last, root.dataset.url, who(), Boolean(root.querySelector("[data-counts]:not([hidden])")), said, back));
  footUntil = said ? Date.now() + TOAST : 0;
}

async function rebuild(own) {
  const moved = pending.findLast((e) => !e.held && e.does === "line");
  const elsewhere = moved && await kept(`?line=${moved.line}&round=${moved.round}`);
  // From here to the end of drawing nothing is waited for, so nothing can be entered in between.
  paint(elsewhere ?? picture(), own);
  if (elsewhere) live().dataset.lineFrom = String(moved.at);
  tellCore();
  for (const entry of waiting()) moveOn(entry, view());
  if (core.isReady()) lineUp(view());
  await ready();
}

async function ready() {
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

function tick() {
  const seen = view();
  take(seen);
  draw(now());
  showNoted(seen);
  drawRhythm();
  drawClocks(now(), seen);
}

// ---- what waits

async function tell() {
  const chip = document.querySelector("[data-waiting]");
  if (!chip) return;
  const waiting = await outbox.all();
  const held = waiting.filter((e) => e.held || outbox.isOthers(e, who())).length;
  const queued = waiting.length - held;
  const words = [];
  if (signIn) words.push("Sign in again");
  else if (!reached) words.push("No signal");
  if (queued > 0 && (!reached || signIn)) words.push(`${queued} waiting to send`);
  if (held > 0) words.push(`${held} ${held === 1 ? "time" : "times"} to check`);
  chip.hidden = words.length === 0;
  chip.classList.toggle("held", held > 0);
  chip.querySelector("[data-waiting-text]").textContent = words.join(", ");
  document.body.classList.toggle("no-signal", !reached);
}

function ask() {
  const done = busy();
  asking += 1;
  return () => { asking -= 1; done(); };
}

async function flush() {
  clearTimeout(retry);
  const done = ask();
  let answer;
  try {
    answer = await outbox.flush(who(), part, async (entry, got) => {
      if (entry.session !== session()) return;
      if (got.state === "stored") pending = pending.filter((e) => e.n !== entry.n);
      else Object.assign(pending.find((e) => e.n === entry.n) ?? {}, { held: entry.held, asked: entry.asked });
      if (got.change) { takeIn(got.change.news, true, got.change.said, got.change.back); return; }
      if (got.state === "stored" && got.html) {
        if (parse(got.html)?.querySelector("[data-toast]")) footUntil = 0;
        await show(got.html);
        if (document.querySelector("#t-word [data-toast]")) footUntil = Date.now() + TOAST;
        return;
      }
      // A doubt is asked at once while nothing else has been typed; otherwise it waits to be looked at.
      const form = live().querySelector("[data-marks]");
      if (got.html && entry.does === "save" && parse(got.html)?.querySelector(".t-doubt") && !(form && isBegun(form)) && pending.length === 1) {
        pending = [];
        await outbox.remove(entry.n);
        await show(got.html, true);
      } else await rebuild(false);
    });
  } finally { done(); }
  const was = reached;
  reached = answer.reached;
  signIn = Boolean(answer.signIn);
  if (reached) unsaid = null;
  else sayKept();
  if (!reached && (await outbox.all()).some((e) => !e.held && !outbox.isOthers(e, who()))) {
    wait = Math.min(wait * 1.6, 8000);
    retry = setTimeout(flush, wait);
  } else if (reached) {
    wait = 1000;
    if (!was) refresh();
  }
  await tell();
}

const guid = () => crypto.randomUUID?.() ?? "10000000-1000-4000-8000-100000000000".replace(/[018]/g, (c) => (c ^ crypto.getRandomValues(new Uint8Array(1))[0] & 15 >> c / 4).toString(16));

async function enqueue(url, fields, does, more = {}) {
  const value = (name) => fields.find(([k]) => k === name)?.[1];
  const entry = {
    session: session(), by: who(), url, does, made: now(), at: now(), athlete: value("athlete"), line: value("line"), round: value("round"), rep: value("rep"), reason: value("reason") ?? value("work"), ...more,
    fields: fields.filter(([k]) => k !== "__RequestVerificationToken" && k !== "client" && k !== "at"),
  };
  entry.fields.push(["client", guid()], ["at", String(Math.round(entry.at))]);
  entry.name = rowOf(entry.athlete)?.dataset.name ?? "";
  entry.label = `${entry.name} ${more.said ?? does}`.trim();
  await outbox.put(entry);
  pending.push(entry);
  return entry;
}

async function queueForm(form, submitter) {
  // A second press while the first is still being written is the same press.
  if (form.dataset.writing) return;
  const does = submitter?.dataset.does ?? form.dataset.does ?? "other-change";
  const fields = [...new FormData(form, submitter)].filter(([k, v]) => k !== "seen" || v !== "");
  const marks = fields.filter(([k, v]) => (k === "mark" || k === "measure") && v.trim() !== "").map(([, v]) => v.trim());
  if (does === "save" && marks.length === 0) {
    const note = form.querySelector('[data-f="note"]');
    note.textContent = "Type a figure first, or say No time.";
    note.hidden = false;
    boxesOf(form)[0]?.focus();
    return;
  }
  if (does === "save" && !["part", "overrule"].includes(submitter?.name) && !form.querySelector("[data-part-said]") && askPart(form)) return;
  // What cannot be, or hardly, is asked about here as the server would ask, before it is kept.
  const word = does === "save" && submitter?.name !== "overrule" ? core.judge(submitter?.getAttribute("formaction") ?? form.getAttribute("action"), fields, now()) : null;
  if (word?.doubts.some((d) => !d.isMissing)) { showDoubts(form, word.doubts.filter((d) => !d.isMissing)); return; }
  const typedAt = form.dataset.at ? Number(form.dataset.at) + offset : now();
  let entry;
  form.dataset.writing = "yes";
  try {
    entry = await enqueue(submitter?.getAttribute("formaction") ?? form.getAttribute("action"), fields, does, {
      at: "marks" in form.dataset ? typedAt : now(), said: does === "save" ? marks.join(" ") : form.id === "t-note" ? noteOf(fields) : submitter?.dataset.what ?? does,
    });
  } catch {
    // A browser that keeps nothing (a private window, a full disk) still saves; only without a signal it cannot.
    await sendNow(form, submitter);
    return;
  } finally { delete form.dataset.writing; }
  document.querySelector("dialog[open]")?.close();
  if (does === "line" && !reached && !(await kept(`?line=${entry.line}&round=${entry.round}`))) say("This line was not kept on the device; it opens when the signal is back.");
  if (does === "line" && !reached) await rebuild(true);
  else moveOn(entry, view());
  if (does === "save" || form.id === "t-note") unsaid = entry;
  if (form.id === "t-note") { form.querySelector(".own-words").value = ""; noted("good" in (submitter?.dataset ?? {})); }
  if (!reached) sayKept();
  await tell();
  tick();
  flush();
}

// What was tapped, in the words of the tile, and what was written.
const noteOf = (fields) => fields.filter(([k]) => k === "seen").map(([, code]) => {
  const tile = document.querySelector(`#t-note button[name="seen"][value="${CSS.escape(code)}"]`);
  return (tile?.querySelector("b") ?? tile)?.textContent.trim() || code;
}).join(", ");

function sayKept() {
  if (unsaid && pending.some((e) => e.n === unsaid.n)) showKept(unsaid);
  unsaid = null;
}

// Without the server: what the time says, and a way to take it back.
function showKept(entry) {
  const last = document.getElementById("t-last");
  const said = view()?.answers[waiting().findIndex((e) => e.n === entry.n)]?.panel;
  if (last) {
    const kept = Object.assign(document.createElement("p"), { className: "t-seen", textContent: said ? "Kept on this device." : `${entry.label}: kept on this device; result after reconnecting.` });
    last.classList.remove("is-typing");
    last.replaceChildren(...(said ? [panelOf(said)] : []), kept);
    if (said?.stop) {
      const done = Object.assign(document.createElement("button"), { type: "button", className: "btn btn-outline-dark", textContent: `Done for today: ${entry.name.split(" ")[0]}` });
      Object.assign(done.dataset, { done: entry.athlete, reason: said.stop });
      kept.before(done);
    }
  }
  const foot = document.getElementById("t-word");
  foot.replaceChildren(Object.assign(document.createElement("span"), { textContent: `Kept here: ${entry.label}${entry.rep ? `, rep ${entry.rep}` : ""}` }));
  const undo = Object.assign(document.createElement("button"), { type: "button", className: "btn", textContent: "Undo" });
  undo.dataset.unsend = String(entry.n);
  foot.append(undo);
}

async function sendNow(form, submitter) {
  const done = ask();
  try {
    const fields = [...new FormData(form, submitter)].filter(([k]) => k !== "__RequestVerificationToken");
    const answer = await outbox.post(submitter?.getAttribute("formaction") ?? form.getAttribute("action"), fields, part());
    if (answer.change) {
      say("");
      document.querySelector("dialog[open]")?.close();
      takeIn(answer.change.news, true, answer.change.said, answer.change.back);
    } else if (answer.html) {
      say("");
      document.querySelector("dialog[open]")?.close();
      await show(answer.html, true);
    } else say(answer.signIn ? "Sign in again; what waits on this device stays." : answer.message ?? "The server cannot be reached, and this one thing needs it. Times are still kept.");
  } finally { done(); }
}

// On a line without times a name is whose notes are taken.
document.addEventListener("click", (event) => {
  const see = event.target.closest?.('[data-see]:not([data-see=""])');
  if (see) { event.preventDefault(); choose(see.dataset.see); }
});

document.addEventListener("submit", (event) => {
  const form = event.target;
  if (!form.dataset?.send || event.defaultPrevented) return;
  event.preventDefault();
  // Busy from the press on, not only from when the network is asked.
  const done = ask();
  (form.dataset.send === "queue" ? queueForm : sendNow)(form, event.submitter).finally(done);
});

// ---- another device on the same session

async function refresh() {
  const answer = await fetch(live().dataset.url, { headers: { Part: "live" }, signal: AbortSignal.timeout(8000) }).catch(() => null);
  if (answer?.ok && !answer.url.includes("/SignIn")) await show(await answer.text());
}

function listen() {
  const wire = new EventSource(`/live/${session()}`);
  let soon;
  // What this device did itself comes back with its own answer; only what that answer does not hold is asked for.
  const look = (stamp) => {
    clearTimeout(soon);
    if (stamp === live()?.dataset.stamp) return;
    soon = setTimeout(() => { if (asking > 0) look(stamp); else if (stamp !== live()?.dataset.stamp) refresh(); }, 80);
  };
  wire.addEventListener("changed", (event) => look(event.data));
  wire.addEventListener("change", (event) => {
    const news = JSON.parse(event.data);
    if (core.isReady()) takeIn(news);
    else look(news.to);
  });
  wire.addEventListener("alive", (event) => { hearGates(JSON.parse(event.data), now()); });
  wire.addEventListener("open", () => { if (!reached) flush(); });
  wire.addEventListener("error", () => {
    // A closed wire may mean no signal; sending what waits, or asking, finds out.
    if (wire.readyState === EventSource.CLOSED) setTimeout(listen, 5000);
    fetch("/mark.svg", { cache: "no-store", method: "HEAD" }).then(() => true, () => false).then((ok) => { if (!ok) { reached = false; tell(); clearTimeout(retry); retry = setTimeout(flush, wait); } });
  });
}

// ---- people, keys, what waits

function openPerson(athlete, withTyped = false) {
  const dialog = document.getElementById("t-person");
  const row = rowOf(athlete);
  for (const input of dialog.querySelectorAll('input[name="athlete"]')) input.value = athlete;
  if (row) {
    dialog.querySelector("#t-person-name").textContent = row.dataset.name;
    const holds = dialog.querySelector('input[name="holds"]');
    if (holds) holds.value = row.dataset.holds;
  }
  if (!withTyped) for (const input of dialog.querySelectorAll("input:not([type=hidden])")) input.value = "";
  for (const form of dialog.querySelectorAll("[data-when]")) form.hidden = row?.dataset.state !== form.dataset.when;
  dialog.showModal();
}

const reload = async () => { pending = (await outbox.all()).filter((e) => e.session === session()); };

document.addEventListener("click", async (event) => {
  const person = event.target.closest?.("[data-person]");
  if (person && document.getElementById("t-person")) { event.preventDefault(); openPerson(person.dataset.person); return; }
  if (event.target.closest?.("[data-close]")) { event.preventDefault(); document.getElementById("t-person").close(); return; }
  if (event.target.closest?.("[data-waiting]")) { openWaiting(who(), reload, async () => { await rebuild(true); flush(); }); return; }
  const unsend = event.target.closest?.("[data-unsend]");
  if (unsend) { await outbox.remove(Number(unsend.dataset.unsend)); await reload(); await rebuild(true); return; }
  const call = event.target.closest?.("[data-call]");
  if (call) { rowOf(call.dataset.call)?.querySelector("form").requestSubmit(); return; }
  const notThis = event.target.closest?.("[data-notthis]");
  if (notThis) {
    const finished = ask();
    clear(notThis.closest("form"));
    const answer = await outbox.post(`${live().dataset.url}?handler=NotThis&gate=${notThis.dataset.notthis}`, []);
    if (answer.html) await show(answer.html, true); else say("The server cannot be reached; the gates' report stays until it is.");
    finished();
    return;
  }
  const over = event.target.closest?.("[data-done]");
  if (over) {
    const done = ask();
    over.disabled = true;
    const entry = await enqueue(`${live().dataset.url}?handler=Done`, [["athlete", over.dataset.done], ["reason", over.dataset.reason]], "done").finally(done);
    moveOn(entry, view());
    tick();
    flush();
  }
});

// Letters mean nothing in a time, so in an empty box they are commands.
const COMMANDS = { n: '[data-does="outcome"]', r: '[data-does="again"]', s: '[data-does="skip"]', u: "[data-key=undo], [data-unsend]" };
document.addEventListener("keydown", (event) => {
  const root = live();
  if (!root?.dataset.running) return;
  if (event.altKey && (event.key === "ArrowRight" || event.key === "ArrowLeft")) {
    event.preventDefault();
    const forms = [...root.querySelectorAll(".t-lines form")];
    (event.key === "ArrowRight" ? forms.at(-1) : forms[0])?.requestSubmit();
    return;
  }
  const box = event.target;
  if (event.key.toLowerCase() === "u" && !event.ctrlKey && !event.metaKey && !event.altKey && !box.matches?.("input:not([type=radio]):not([type=checkbox]), textarea, select") && !document.querySelector("dialog[open]")) {
    root.querySelector(COMMANDS.u)?.click();
    return;
  }
  if (!(box instanceof HTMLInputElement) || !("mark" in box.dataset) || event.ctrlKey || event.metaKey || event.altKey) return;
  if (event.key === "ArrowDown") {
    const others = [...document.querySelectorAll("[data-queue] > li:not([data-on=yes])")];
    event.preventDefault();
    if (!isDirty(box.form)) others.find((li) => !li.querySelector("button").disabled)?.querySelector("form").requestSubmit();
    return;
  }
  if (event.key === "Escape") { clear(box.form); boxesOf(box.form)[0].focus(); return; }
  const command = box.value === "" && COMMANDS[event.key.toLowerCase()];
  if (command) {
    event.preventDefault();
    if (!isDirty(box.form)) root.querySelector(command)?.click();
  }
});

// ---- the beginning

async function begin() {
  if (!live()) return;
  const done = busy();
  await reload();
  if (document.body.dataset.kept) {
    reached = false;
    const html = await kept();
    lastHtml = html ?? live().outerHTML;
    await rebuild(true);
  } else {
    hear(live().outerHTML, live());
    if (pending.length > 0) await rebuild(true);
    else await ready();
  }
  setInterval(tick, 500);
  bringCore().catch((error) => console.warn("Core on the device:", error.message));
  if (live().dataset.running) {
    listen();
    keepOn();
    // The forecast moves with the clock even when nobody saves.
    setInterval(() => { if (reached && asking === 0 && !document.querySelector("dialog[open]") && (!core.isReady() || (beat += 1) % 4 === 0)) refresh(); }, FORECAST);
  }
  window.addEventListener("online", flush);
  document.addEventListener("visibilitychange", () => { if (document.visibilityState === "visible") flush(); });
  await flush();
  done();
}

begin();
