// Trackside: one page that works with and without a signal, beside other devices on the same session.
import { takeIn } from "./changes.js";
import { hearGates } from "./clocks.js";
import "./commands.js";
import * as core from "./core.js";
import { here, now, session } from "./here.js";
import { keepOn, kept } from "./kept.js";
import { live } from "./queue.js";
import { busy } from "./requests.js";
import { begunWith, bringCore, hear, ready, rebuild, refresh, tick } from "./screen.js";
import { flush, reload, retrySoon } from "./sending.js";
import { hearGo } from "./startbox.js";

const FORECAST = 30000;
let beat = 0;

// Another device on the same session.
function listen() {
  const wire = new EventSource(`/live/${session()}`);
  let soon;
  // What this device did itself comes back with its own answer; only what that answer does not hold is asked for.
  const look = (stamp) => {
    clearTimeout(soon);
    if (stamp === live()?.dataset.stamp) return;
    soon = setTimeout(() => { if (here.asking > 0) look(stamp); else if (stamp !== live()?.dataset.stamp) refresh(); }, 80);
  };
  wire.addEventListener("changed", (event) => look(event.data));
  wire.addEventListener("change", (event) => {
    const news = JSON.parse(event.data);
    if (core.isReady()) takeIn(news);
    else look(news.to);
  });
  wire.addEventListener("go", (event) => hearGo(JSON.parse(event.data)));
  wire.addEventListener("alive", (event) => { hearGates(JSON.parse(event.data), now()); });
  wire.addEventListener("open", () => { if (!here.reached) flush(); });
  wire.addEventListener("error", () => {
    // A closed wire may mean no signal; sending what waits, or asking, finds out.
    if (wire.readyState === EventSource.CLOSED) setTimeout(listen, 5000);
    fetch("/mark.svg", { cache: "no-store", method: "HEAD" }).then(() => true, () => false).then((ok) => { if (!ok) retrySoon(); });
  });
}

async function begin() {
  if (!live()) return;
  const done = busy();
  if (live().dataset.running && live().dataset.device) core.start(live().dataset.device).catch(() => {});
  await reload();
  if (document.body.dataset.kept) {
    here.reached = false;
    const html = await kept();
    begunWith(html ?? live().outerHTML);
    await rebuild(true);
  } else {
    hear(live().outerHTML, live());
    if (here.pending.length > 0) await rebuild(true);
    else await ready();
  }
  setInterval(tick, 500);
  bringCore().catch((error) => console.warn("Core on the device:", error.message));
  if (live().dataset.running) {
    listen();
    keepOn();
    // The forecast moves with the clock even when nobody saves.
    setInterval(() => { if (here.reached && here.asking === 0 && !document.querySelector("dialog[open]") && (!core.isReady() || (beat += 1) % 4 === 0)) refresh(); }, FORECAST);
  }
  window.addEventListener("online", flush);
  document.addEventListener("visibilitychange", () => { if (document.visibilityState === "visible") flush(); });
  await flush();
  done();
}

begin();
