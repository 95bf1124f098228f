// What the browser remembers. Some browsers let nothing be kept, or take it back; then there is nothing remembered, and everything else goes on.
const attempt = (act) => { try { return act(); } catch { return null; } };

export const remembered = (kind, key) => attempt(() => window[kind].getItem(key));
export const remember = (kind, key, value) => { attempt(() => window[kind].setItem(key, value)); };
export const forget = (kind, key) => { attempt(() => window[kind].removeItem(key)); };

/** The shelf of kept answers, or null where there is none. */
export async function shelf(name) {
  try {
    return "caches" in window ? await caches.open(name) : null;
  } catch {
    return null;
  }
}
