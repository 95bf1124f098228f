// What is entered trackside waits on the device until the server has it: written before it is sent, taken out when the server says so, sent in order.
// Where the browser keeps nothing (a private window, a full disk) it waits on the page, which then asks before it is left.
import { token } from "./requests.js";

const STORE = "waiting";
const PATIENCE = 8000;
const HOLD_AFTER = 5;
// What the server has, while what came of it is still being kept here.
const answered = new Set();
// What only this page has; its numbers are below zero.
const onPage = [];
let lastOnPage = 0;
let opened;

function database() {
  opened ??= new Promise((resolve, reject) => {
    const ask = indexedDB.open("inch-burst", 1);
    ask.onupgradeneeded = () => ask.result.createObjectStore(STORE, { keyPath: "n", autoIncrement: true });
    ask.onsuccess = () => resolve(ask.result);
    ask.onerror = () => reject(ask.error);
  });
  return opened;
}

async function within(mode, act) {
  const db = await database();
  return new Promise((resolve, reject) => {
    // Strict: on the disk before the screen moves on, so that a phone that dies keeps it.
    const work = db.transaction(STORE, mode, { durability: "strict" });
    const ask = act(work.objectStore(STORE));
    work.oncomplete = () => resolve(ask.result);
    work.onerror = () => reject(work.error);
    work.onabort = () => reject(work.error);
  });
}

export const all = async () => [...await within("readonly", (store) => store.getAll()).catch(() => []), ...onPage].filter((e) => !answered.has(e.n));

/** True for what is lost with the page. */
export const isOnPage = (entry) => entry.n < 0;

export async function put(entry) {
  if (isOnPage(entry)) return;
  try {
    entry.n = await within("readwrite", (store) => store.put(entry));
  } catch (error) {
    if (entry.n) throw error;
    lastOnPage -= 1;
    entry.n = lastOnPage;
    onPage.push(entry);
  }
}

export async function remove(n) {
  if (n < 0) onPage.splice(0, onPage.length, ...onPage.filter((e) => e.n !== n));
  else await within("readwrite", (store) => store.delete(n)).catch(() => {});
}

window.addEventListener("beforeunload", (event) => { if (onPage.some((e) => !answered.has(e.n))) event.preventDefault(); });

/** Sends one form to the server. Gives what came of it; never throws for want of a network. */
export async function post(url, fields, part = "live") {
  for (let tries = 0; ; tries += 1) {
    let answer;
    try {
      answer = await fetch(url, {
        method: "POST", body: new URLSearchParams(fields), headers: { RequestVerificationToken: token(), Part: part }, signal: AbortSignal.timeout(PATIENCE),
      });
      if (answer.status === 400 && tries === 0 && await freshToken(url)) continue;
      if (answer.status >= 500) return { reached: false, broke: answer.status === 500 };
      if (answer.url.includes("/SignIn") || answer.status === 401) return { reached: false, signIn: true };
      if (!answer.ok) return { reached: true, state: "lost", message: answer.status === 403 ? "Your role may not do this." : `The session did not take it (${answer.status}).` };
      const state = answer.headers.get("Entry-State") ?? "stored";
      return answer.headers.get("Content-Type")?.includes("json") ? { reached: true, state, change: await answer.json() } : { reached: true, state, html: await answer.text() };
    } catch {
      return { reached: false };
    }
  }
}

async function freshToken(url) {
  const page = await fetch(url.split("?")[0], { signal: AbortSignal.timeout(PATIENCE) }).catch(() => null);
  if (!page?.ok || page.url.includes("/SignIn")) return false;
  const meta = new DOMParser().parseFromString(await page.text(), "text/html").querySelector('meta[name="form-token"]');
  if (meta) document.querySelector('meta[name="form-token"]').content = meta.content;
  return Boolean(meta);
}

/** True for what somebody else entered on this device: it is sent when they sign in again, under their own name. */
export const isOthers = (entry, who) => Boolean(entry.by && who && entry.by !== who);

/** Sends what waits, oldest first, until one cannot be sent. Only one tab of the device sends at a time. */
export async function flush(who, part, onAnswer) {
  const send = async () => {
    for (;;) {
      const entry = (await all()).find((e) => !e.held && !isOthers(e, who));
      if (!entry) return { reached: true };
      const answer = await post(entry.url, entry.fields, part());
      if (!answer.reached) {
        if (answer.broke && (entry.tries = (entry.tries ?? 0) + 1) >= HOLD_AFTER) entry.held = "The server failed on this one again and again.";
        if (answer.broke) await put(entry);
        if (entry.held) continue;
        return answer;
      }
      if (answer.state === "stored") {
        // Taken out only once what came of it is kept: a page that opens anew without a signal knows it from the one or the other.
        answered.add(entry.n);
        try { await onAnswer(entry, answer); } finally { await remove(entry.n); }
        continue;
      }
      entry.held = answer.message ?? messageIn(answer.html);
      entry.asked = answer.state === "asked";
      await put(entry);
      await onAnswer(entry, answer);
    }
  };
  return navigator.locks ? navigator.locks.request("inch-burst-send", send) : send();
}

function messageIn(html) {
  const doubts = new DOMParser().parseFromString(html, "text/html").querySelectorAll(".t-doubt > p:not(.small)");
  return [...doubts].map((p) => p.textContent.trim()).join(" ") || "The session did not take it.";
}
