// What this page knows of itself: what waits, whether the server is reached, and the server's clock.
import * as core from "./core.js";
import { remember, remembered } from "./memory.js";
import { live } from "./queue.js";
import { busy } from "./requests.js";

const OFFSET = "inch-burst-clock-offset";
let offset = Number(remembered("localStorage", OFFSET) ?? 0);
let heard = false;

/** What waits is kept in step with the device's storage, so that drawing anew never forgets what was just entered. */
export const here = { pending: [], reached: true, signIn: false, asking: 0, footUntil: 0 };

/** The server's moment, ms: the phones around a track never agree. */
export const now = () => Date.now() + offset;

/** A moment of this device as the server's, ms. */
export const atServer = (moment) => moment + offset;

/** Hears the server's moment. An answer is as old as its way was long, so of several the one that puts the server latest is nearest to the truth. */
export function hearMoment(told) {
  const by = told - Date.now();
  offset = heard ? Math.max(offset, by) : by;
  heard = true;
  remember("localStorage", OFFSET, String(offset));
}

export const session = () => live()?.dataset.live;
export const who = () => live()?.dataset.who;
export const waiting = () => here.pending.filter((e) => !e.held);

/** Who goes, who rests and what the times say, with what waits counted as done. */
export const view = () => core.see(waiting(), now(), live()?.dataset.line, live()?.dataset.round);

/** How the server is to answer: with what changed where Core is here, else with the picture. */
export const part = () => (core.isReady() ? "change" : "live");

/** Marks the page busy until what is returned is called. */
export function ask() {
  const done = busy();
  here.asking += 1;
  return () => { here.asking -= 1; done(); };
}
