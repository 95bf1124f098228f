// Lines that are typed: the field is the coach's own and no answer replaces it. Lines go to the server one after another in the order they were
// typed, wait while there is no signal, and one that is not understood stays beside the field with its question while the next is typed.
import { ask, bring, draw, isHere, refresh } from "./reading.js";

const place = () => document.querySelector("[data-typing]");
const field = () => document.getElementById("type-text");
const store = () => `typed-lines-${place().dataset.typing}`;
let lines = [];
let sending = false;
let again = 0;
let wake = () => {};
const MOST_WAIT = 20000;

const keep = () => { try { sessionStorage.setItem(store(), JSON.stringify(lines)); } catch { /* without a store they live as long as the page */ } };

/** Puts an answer in place without touching the way to what is typed: everything around it is replaced. */
export function around(now, next, keepNow, keepNext) {
  for (const { name, value } of next.attributes) now.setAttribute(name, value);
  const at = [...now.children].find((child) => child.contains(keepNow));
  const to = [...next.children].find((child) => child.contains(keepNext));
  for (const child of [...now.childNodes]) if (child !== at) child.remove();
  const parts = [...next.childNodes];
  const turn = parts.indexOf(to);
  at.before(...parts.slice(0, turn));
  at.after(...parts.slice(turn + 1));
  if (at !== keepNow) around(at, to, keepNow, keepNext);
}

/** Puts a builder in place of the one that is there; false when there is nothing to keep. */
export function put(html) {
  const next = new DOMParser().parseFromString(html, "text/html").getElementById("builder");
  const now = document.getElementById("builder");
  if (!next || !now) return false;
  const [here, there] = [now.querySelector("[data-typing]"), next.querySelector("[data-typing]")];
  if (!here || !there) return false;
  const focused = document.activeElement?.id;
  around(now, next, here, there);
  if (focused && document.activeElement === document.body) document.getElementById(focused)?.focus({ preventScroll: true });
  window.htmx.process(now);
  now.dispatchEvent(new CustomEvent("builder-put", { bubbles: true }));
  return true;
}

function show() {
  const list = place()?.querySelector("[data-waiting-lines]");
  if (!list) return;
  list.replaceChildren(...lines.map((line) => {
    const item = document.createElement("li");
    item.className = line.problem ? "refused" : "sent";
    const text = document.createElement("b");
    text.textContent = line.text;
    item.append(text);
    if (line.problem) {
      const said = document.createElement("div");
      said.innerHTML = line.problem;
      item.append(...said.childNodes);
      for (const [act, word] of [["edit", "Change it"], ["drop", "Leave it out"]]) {
        const button = document.createElement("button");
        Object.assign(button, { type: "button", className: "btn btn-sm btn-outline-dark", textContent: word });
        Object.assign(button.dataset, { typed: line.client, act });
        item.append(button);
      }
      for (const choice of item.querySelectorAll("[data-choice]")) Object.assign(choice.dataset, { typed: line.client });
    } else {
      const note = document.createElement("span");
      note.textContent = again > 0 ? "waits for a signal" : "on its way";
      item.append(note);
    }
    return item;
  }));
}

// A number before its line has gone is the next line's first key, never an answer: only who waits for an answer is brought to the question.
let typed = 0;

function add(text) {
  lines.push({ client: number(), text, typed });
  keep();
  show();
  send();
}

const number = () => crypto.randomUUID?.() ?? `${Date.now()}-${Math.random()}`;

const tell = async (url, more) => {
  const answer = await fetch(url, { headers: { "HX-Request": "true" }, signal: AbortSignal.timeout(MOST_WAIT), ...more });
  if (answer.status >= 500 || answer.status === 429 || answer.status === 408) throw new Error(`${answer.status}`);
  // Half an answer is none.
  return { answer, text: await answer.text() };
};

/** One line after another, never two at once: what is drawn last is what was kept last. */
async function send() {
  if (sending) return;
  sending = true;
  try {
    for (let line = lines.find((l) => !l.problem); line; line = lines.find((l) => !l.problem)) {
      const form = place().querySelector("[data-type-line]");
      const body = new URLSearchParams({ text: line.text, client: line.client, __RequestVerificationToken: form.querySelector("[name=__RequestVerificationToken]").value });
      try {
        const { answer, text } = await tell(form.action, { method: "POST", body });
        again = 0;
        await take(line, answer, text, form.action);
      } catch {
        // No answer is no refusal: it is sent again, under the same number.
        again = Math.min(again + 1, 5);
        show();
        await new Promise((go) => { wake = go; window.setTimeout(go, 500 * 2 ** (again - 1)); });
      }
    }
  } finally {
    sending = false;
  }
}

async function take(line, answer, text, action) {
  const state = answer.headers.get("Line-State");
  if (answer.redirected || (answer.status >= 400 && answer.status < 500)) {
    // Signed out, or the session is gone: what was typed stays.
    line.problem = '<div class="problem" role="alert">This could not be kept here: sign in again, or open the session anew. It stays until then.</div>';
  } else if (state === "refused") {
    line.problem = text;
  } else {
    // An exercise is new: the answer was drawn without it.
    const drawn = state === "again" ? (await tell(action.replace("handler=Add", "handler=Builder"))).text : text;
    lines = lines.filter((l) => l !== line);
    put(drawn);
    if (state === "again") refresh();
  }
  keep();
  show();
  const ask = place().querySelector(".waiting-lines .refused [data-choice]");
  if (line.problem && ask && typed === line.typed && field().value === "" && document.activeElement === field()) ask.focus();
}

function answerWith(button) {
  const asked = button.closest("[data-waiting-lines]");
  const row = button.closest("[data-row]");
  if (row) {
    // A row of a pasted session: the answer takes its place in the text; the rest stays as it was pasted.
    const pasted = document.getElementById("paste-text");
    const rows = pasted.value.split("\n");
    const at = rows[row.dataset.row - 1]?.includes(row.dataset.rowText) ? row.dataset.row - 1 : rows.findIndex((r) => r.includes(row.dataset.rowText));
    if (at >= 0) rows[at] = rows[at].replace(row.dataset.rowText, () => button.dataset.choice);
    pasted.value = rows.join("\n");
    row.remove();
    (document.querySelector("[data-row] [data-choice]") ?? pasted.form.querySelector("button:not([type=button])")).focus();
    return;
  }
  if (!asked) {
    const of = document.querySelector(`[aria-describedby="${button.closest(".reads").id}"]`);
    of.value = button.dataset.choice;
    of.focus();
    of.dispatchEvent(new Event("input", { bubbles: true }));
    return;
  }
  const line = lines.find((l) => l.client === button.dataset.typed);
  Object.assign(line, { text: button.dataset.choice, problem: undefined, client: number(), typed });
  keep();
  show();
  field().focus();
  send();
}

// What is being typed is read: at every key on the device, by the server a moment later where Core is not there. Only the latest answer is shown, and none
// after the line has gone.
let latest = null;
let due = 0;

function say(input, answer) {
  const box = document.getElementById(input.getAttribute("aria-describedby"));
  // Whoever has gone into the offers is not pushed out of them.
  if (answer && box && input.value === answer.text && !box.contains(document.activeElement)) draw(box, answer);
}

async function read(input) {
  latest?.abort();
  latest = new AbortController();
  const asked = input.value;
  if (asked.trim() === "") { document.getElementById(input.getAttribute("aria-describedby")).replaceChildren(); return; }
  if (isHere()) { say(input, await ask(asked)); return; }
  try {
    const answer = await fetch(`${input.dataset.reads}&text=${encodeURIComponent(asked)}`, { signal: latest.signal, headers: { "HX-Request": "true" } });
    if (answer.ok && !answer.redirected) say(input, await answer.json());
  } catch { /* another key came, or no signal: typing goes on */ }
}

document.addEventListener("input", (event) => {
  if (!event.target.matches?.("[data-reads]")) return;
  if (event.target === field()) typed += 1;
  window.clearTimeout(due);
  due = window.setTimeout(() => read(event.target), isHere() ? 0 : 60);
});

document.addEventListener("submit", (event) => {
  if (!event.target.matches?.("[data-type-line]")) return;
  event.preventDefault();
  const text = field().value.trim();
  if (text === "") return;
  field().value = "";
  latest?.abort();
  window.clearTimeout(due);
  document.getElementById("type-reads").replaceChildren();
  add(text);
});

document.addEventListener("click", (event) => {
  const choice = event.target.closest?.("[data-choice]");
  if (choice) { answerWith(choice); return; }
  const button = event.target.closest?.("[data-waiting-lines] [data-act]");
  if (!button) return;
  const line = lines.find((l) => l.client === button.dataset.typed);
  lines = lines.filter((l) => l !== line);
  if (button.dataset.act === "edit") {
    field().value = line.text;
    field().dispatchEvent(new Event("input", { bubbles: true }));
  }
  keep();
  show();
  field().focus();
});

// One key answers: a number, while the question has the focus; any other letter goes on in the field.
document.addEventListener("keydown", (event) => {
  const asked = event.target.closest?.(".choices");
  if (!asked || event.ctrlKey || event.altKey || event.metaKey) return;
  const choice = asked.querySelectorAll("[data-choice]")[Number(event.key) - 1];
  if (choice && /^[1-9]$/.test(event.key)) {
    event.preventDefault();
    answerWith(choice);
  } else if (event.key === "Escape" || (event.key.length === 1 && event.key !== " ")) {
    field().focus();
  }
});

// Answers of other acts come through htmx: where something is typed or waits they are put around it.
document.addEventListener("htmx:beforeSwap", (event) => {
  if (!place() || (lines.length === 0 && field().value === "" && document.activeElement !== field())) return;
  if (event.detail.target?.id !== "builder" || event.detail.xhr.status >= 400 || !put(event.detail.serverResponse)) return;
  event.detail.shouldSwap = false;
  window.setTimeout(() => document.dispatchEvent(new CustomEvent("htmx:afterSettle", { bubbles: true })), 0);
});
document.addEventListener("builder-put", () => show());
window.addEventListener("online", () => { again = 0; wake(); });

if (place()) {
  const { device, reader } = place().dataset;
  window.setTimeout(() => bring(device, reader), 0);
  try { lines = JSON.parse(sessionStorage.getItem(store()) ?? "[]"); } catch { lines = []; }
  show();
  send();
}
