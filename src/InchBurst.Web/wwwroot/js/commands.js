// What is tapped and pressed besides figures.
import { boxesOf, clear, isDirty } from "./entry.js";
import { ask, here, view, who } from "./here.js";
import { choose } from "./notes.js";
import * as outbox from "./outbox.js";
import { openPerson } from "./person.js";
import { live, moveOn, rowOf } from "./queue.js";
import { say } from "./requests.js";
import { rebuild, show, tick } from "./screen.js";
import { enqueue, flush, queueForm, reload, sendNow } from "./sending.js";
import { openWaiting } from "./waiting.js";

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
  const way = event.target.closest?.("[data-gatefill]");
  if (way) {
    // One of what the gates may have seen: the coach has said which.
    const form = way.closest("form");
    const texts = way.dataset.gatefill.split("|");
    boxesOf(form).filter((b) => b.name === "mark").forEach((b, i) => { b.value = texts[i] ?? ""; b.dataset.manual = "yes"; });
    const field = form.querySelector("[data-gate]") ?? form.appendChild(Object.assign(document.createElement("input"), { type: "hidden", name: "gate" }));
    field.dataset.gate = "";
    field.value = way.dataset.report;
    boxesOf(form)[0].dispatchEvent(new InputEvent("input", { bubbles: true, inputType: "insertReplacementText" }));
    form.querySelector(".t-save").focus({ preventScroll: true });
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
