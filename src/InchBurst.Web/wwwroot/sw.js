// Opens trackside without a network once it was visited that day. The version in this script's address is the version of every file it keeps.
const version = new URL(self.location.href).searchParams.get("v");
const SHELL = `inch-burst-shell-${version}`;
const PAGES = "inch-burst-pages";
const LIVE = "inch-burst-live";
const PATIENCE = 4000;
const today = () => new Date().toDateString();
const isShell = (url) => /^\/(css|js|lib|device)\//.test(url.pathname) || url.pathname === "/mark.svg";
const isTrackside = (url) => /^\/Sessions\/\d+\/Trackside$/i.test(url.pathname);

self.addEventListener("install", () => self.skipWaiting());

self.addEventListener("activate", (event) => event.waitUntil((async () => {
  for (const name of await caches.keys()) if (name.startsWith("inch-burst-shell-") && name !== SHELL) await caches.delete(name);
  await forgetOld();
  await self.clients.claim();
})()));

// A page names people, so it stays on the device for its day only.
async function forgetOld() {
  const pages = await caches.open(PAGES);
  let stale = false;
  for (const request of await pages.keys()) {
    const page = await pages.match(request);
    if (page?.headers.get("Kept-On") !== today()) { stale = true; await pages.delete(request); }
  }
  if (stale) await caches.delete(LIVE);
}

async function keepPage(url, answer) {
  const headers = new Headers(answer.headers);
  headers.set("Kept-On", today());
  const body = await answer.text();
  await (await caches.open(PAGES)).put(url, new Response(body, { headers }));
}

self.addEventListener("message", (event) => event.waitUntil((async () => {
  if (event.data?.keep) {
    await forgetOld();
    const shell = await caches.open(SHELL);
    for (const address of event.data.keep) {
      if (isShell(new URL(address)) && !(await shell.match(address))) await shell.add(address).catch(() => {});
    }
    const page = new URL(event.data.page);
    page.search = "";
    const answer = await fetch(page.href).catch(() => null);
    if (answer?.ok && !answer.redirected) await keepPage(page.href, answer);
  }
})()));

async function shellFirst(request) {
  const known = await caches.match(request, { cacheName: SHELL });
  if (known) return known;
  // A page without its styles is none: what a moment's trouble kept back is asked for once more.
  const answer = await fetch(request).catch(() => fetch(request));
  if (answer.ok) (await caches.open(SHELL)).put(request, answer.clone());
  return answer;
}

async function page(request) {
  const url = new URL(request.url);
  url.search = "";
  try {
    const answer = await Promise.race([fetch(request), new Promise((_, reject) => { setTimeout(() => reject(new Error("slow")), PATIENCE); })]);
    if (answer.ok && answer.type === "basic" && !answer.redirected && new URL(request.url).search === "") await keepPage(url.href, answer.clone());
    if (answer.status < 500) return answer;
  } catch {
    // No network: what was kept today stands in.
  }
  const kept = await (await caches.open(PAGES)).match(url.href);
  if (kept && kept.headers.get("Kept-On") === today()) {
    const html = (await kept.text()).replace('<body class="trackside"', '<body class="trackside" data-kept="yes"');
    return new Response(html, { headers: kept.headers });
  }
  return new Response('<!doctype html><html lang="en"><meta charset="utf-8"><meta name="viewport" content="width=device-width, initial-scale=1"><title>No signal · Inch Burst</title><h1>No signal</h1><p>This session was not opened on this device today, so it is not kept here. Go where there is a signal and open it once.</p>', { status: 503, headers: { "Content-Type": "text/html; charset=utf-8" } });
}

self.addEventListener("fetch", (event) => {
  const url = new URL(event.request.url);
  if (event.request.method !== "GET" || url.origin !== self.location.origin) return;
  if (isShell(url)) event.respondWith(shellFirst(event.request));
  else if (event.request.mode === "navigate" && isTrackside(url)) event.respondWith(page(event.request));
});
