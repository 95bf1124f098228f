// Registers the part that opens trackside without a network.
const version = document.querySelector('meta[name="version"]')?.content;

async function register() {
  const wasServed = Boolean(navigator.serviceWorker.controller);
  await navigator.serviceWorker.register(`/sw.js?v=${version}`, { updateViaCache: "none" });
  const ready = await navigator.serviceWorker.ready;
  const files = performance.getEntriesByType("resource").map((e) => e.name).filter((name) => name.startsWith(window.location.origin));
  ready.active?.postMessage({ keep: files, page: window.location.href });
  document.documentElement.dataset.offline = "ready";
  // After an update of the program the page is loaded again with its new files, unless something is half typed.
  if (wasServed) navigator.serviceWorker.addEventListener("controllerchange", () => { if (![...document.querySelectorAll("[data-mark]")].some((b) => b.value)) window.location.reload(); }, { once: true });
}

// Keeping everything takes the processor that Core needs to begin, so it begins after Core, or where Core does not come, after a while.
const PATIENCE = 4000;
const settled = () => new Promise((done) => {
  if (!document.querySelector('[data-device]:not([data-device=""])[data-running="yes"]')) { done(); return; }
  document.addEventListener("core-ready", done, { once: true });
  setTimeout(done, PATIENCE);
});

if ("serviceWorker" in navigator && document.querySelector("[data-live]")) settled().then(register).catch(() => {});
