// What is entered: kept on the device first, sent in order, and said for what it is.
import { takeIn } from "./changes.js";
import * as core from "./core.js";
import { askPart, boxesOf, isBegun } from "./entry.js";
import { ask, atServer, here, now, part, session, view, waiting, who } from "./here.js";
import { kept } from "./kept.js";
import { noted } from "./notes.js";
import * as outbox from "./outbox.js";
import { panelOf, showDoubts } from "./panel.js";
import { live, moveOn, rowOf } from "./queue.js";
import { say } from "./requests.js";
import { holdWord, parse, rebuild, refresh, show, tell, tick } from "./screen.js";

let retry;
let wait = 1000;
// The last time entered, while it is not known whether the server will say what it means.
let unsaid = null;

/** Reads what waits from the device. */
export const reload = async () => { here.pending = (await outbox.all()).filter((e) => e.session === session()); };

/** Sends what waits, in order. */
export async function flush() {
  clearTimeout(retry);
  const done = ask();
  let answer;
  try {
    answer = await outbox.flush(who(), part, async (entry, got) => {
      if (entry.session !== session()) return;
      if (got.state === "stored") here.pending = here.pending.filter((e) => e.n !== entry.n);
      else Object.assign(here.pending.find((e) => e.n === entry.n) ?? {}, { held: entry.held, asked: entry.asked });
      if (got.change) { await takeIn(got.change.news, true, got.change.said, got.change.back); return; }
      if (got.state === "stored" && got.html) {
        if (parse(got.html)?.querySelector("[data-toast]")) holdWord(false);
        await show(got.html);
        if (document.querySelector("#t-word [data-toast]")) holdWord();
        return;
      }
      // A doubt is asked at once while nothing else has been typed; otherwise it waits to be looked at.
      const form = live().querySelector("[data-marks]");
      if (got.html && entry.does === "save" && parse(got.html)?.querySelector(".t-doubt") && !(form && isBegun(form)) && here.pending.length === 1) {
        here.pending = [];
        await outbox.remove(entry.n);
        await show(got.html, true);
      } else await rebuild(false);
    });
  } finally { done(); }
  const was = here.reached;
  here.reached = answer.reached;
  here.signIn = Boolean(answer.signIn);
  if (here.reached) unsaid = null;
  else sayKept();
  if (!here.reached && (await outbox.all()).some((e) => !e.held && !outbox.isOthers(e, who()))) {
    wait = Math.min(wait * 1.6, 8000);
    retry = setTimeout(flush, wait);
  } else if (here.reached) {
    wait = 1000;
    if (!was) refresh();
  }
  await tell();
}

/** Tries again soon, when the server was found out of reach. */
export function retrySoon() {
  here.reached = false;
  tell();
  clearTimeout(retry);
  retry = setTimeout(flush, wait);
}

const guid = () => crypto.randomUUID?.() ?? "10000000-1000-4000-8000-100000000000".replace(/[018]/g, (c) => (c ^ crypto.getRandomValues(new Uint8Array(1))[0] & 15 >> c / 4).toString(16));

/** Puts what a form says into the device's storage. */
export async function enqueue(url, fields, does, more = {}) {
  const value = (name) => fields.find(([k]) => k === name)?.[1];
  const entry = {
    session: session(), by: who(), url, does, made: now(), at: now(), athlete: value("athlete"), line: value("line"), round: value("round"), rep: value("rep"), reason: value("reason") ?? value("work"), ...more,
    fields: fields.filter(([k]) => k !== "__RequestVerificationToken" && k !== "client" && k !== "at"),
  };
  entry.fields.push(["client", guid()], ["at", String(Math.round(entry.at))]);
  entry.name = rowOf(entry.athlete)?.dataset.name ?? "";
  entry.label = `${entry.name} ${more.said ?? does}`.trim();
  await outbox.put(entry);
  here.pending.push(entry);
  return entry;
}

/** Keeps a form and sends it when it can. */
export async function queueForm(form, submitter) {
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
  const typedAt = form.dataset.at ? atServer(Number(form.dataset.at)) : now();
  let entry;
  form.dataset.writing = "yes";
  try {
    entry = await enqueue(submitter?.getAttribute("formaction") ?? form.getAttribute("action"), fields, does, {
      at: "marks" in form.dataset ? typedAt : now(), said: does === "save" ? marks.join(" ") : form.id === "t-note" ? noteOf(fields) : submitter?.dataset.what ?? does,
    });
  } finally { delete form.dataset.writing; }
  document.querySelector("dialog[open]")?.close();
  if (does === "line" && !here.reached && !(await kept(`?line=${entry.line}&round=${entry.round}`))) say("This line was not kept on the device; it opens when the signal is back.");
  if (does === "line" && !here.reached) await rebuild(true);
  else moveOn(entry, view());
  if (does === "save" || form.id === "t-note") unsaid = entry;
  if (form.id === "t-note") { form.querySelector(".own-words").value = ""; noted("good" in (submitter?.dataset ?? {})); }
  if (!here.reached) sayKept();
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
  if (unsaid && here.pending.some((e) => e.n === unsaid.n)) showKept(unsaid);
  unsaid = null;
}

// Without the server: what the time says, and a way to take it back.
function showKept(entry) {
  const last = document.getElementById("t-last");
  const place = outbox.isOnPage(entry) ? "page only, so leave it open" : "device";
  const said = view()?.answers[waiting().findIndex((e) => e.n === entry.n)]?.panel;
  if (last) {
    const kept = Object.assign(document.createElement("p"), { className: "t-seen", textContent: said ? `Kept on this ${place}.` : `${entry.label}: kept on this ${place}; result after reconnecting.` });
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

/** Sends a form that needs the server. */
export async function sendNow(form, submitter) {
  const done = ask();
  try {
    const fields = [...new FormData(form, submitter)].filter(([k]) => k !== "__RequestVerificationToken");
    const answer = await outbox.post(submitter?.getAttribute("formaction") ?? form.getAttribute("action"), fields, part());
    if (answer.change) {
      say("");
      document.querySelector("dialog[open]")?.close();
      await takeIn(answer.change.news, true, answer.change.said, answer.change.back);
    } else if (answer.html) {
      say("");
      document.querySelector("dialog[open]")?.close();
      await show(answer.html, true);
    } else say(answer.signIn ? "Sign in again; what waits on this device stays." : answer.message ?? "The server cannot be reached, and this one thing needs it. Times are still kept.");
  } finally { done(); }
}
