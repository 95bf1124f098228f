// What the server last said, kept on the device: the line shown and every other line of the session, so that it goes on without a signal.
import { shelf } from "./memory.js";
import { live } from "./queue.js";

export const KEPT = "inch-burst-live";
const REFRESH = 60000;
let prefetched = 0;

/** Keeps a picture as the session's and as its line's. */
export async function keep(html, root) {
  const on = await shelf(KEPT);
  if (!on) return;
  const { url } = root.dataset;
  const page = () => new Response(html, { headers: { "Content-Type": "text/html; charset=utf-8" } });
  await on.put(`/kept${url}?line=${root.dataset.line}&round=${root.dataset.round}`, page());
  await on.put(`/kept${url}`, page());
}

/** What was kept, or undefined. */
export const kept = async (query = "") => (await (await shelf(KEPT))?.match(`/kept${live().dataset.url}${query}`))?.text();

/** Keeps every line, so that the session can go on along its plan without a signal. */
export async function keepLines() {
  const root = live();
  if (!root?.dataset.running || Date.now() - prefetched < REFRESH) return;
  prefetched = Date.now();
  const on = await shelf(KEPT);
  if (!on) return;
  for (const place of root.dataset.places.split("|")) {
    const [line, round] = place.split(":");
    if (line === live()?.dataset.line && round === live()?.dataset.round) continue;
    const query = `?line=${line}&round=${round}`;
    const answer = await fetch(root.dataset.url + query, { headers: { Part: "live" } }).catch(() => null);
    if (!answer?.ok) return;
    await on.put(`/kept${root.dataset.url}${query}`, answer);
  }
}

/** Looks again for lines to keep, now and then. */
export function keepOn() {
  setTimeout(keepLines, 1500);
  setInterval(keepLines, REFRESH);
}
