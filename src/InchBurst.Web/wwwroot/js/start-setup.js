// How a start is set up on this device: what was chosen last is remembered, else it is as the school has it.
import { remember, remembered } from "./memory.js";
import { box, drawStrip, part, put } from "./start-look.js";
import { latency } from "./start-sound.js";

const KEPT = "inch-burst-start";
// What the buttons stop at; Core brings whatever it is given within its bounds.
const BOUNDS = { lead: [2, 60], least: [0.8, 5.6], most: [1.2, 6] };
const APART = 0.4;

const tenth = (value) => Math.round(value * 10) / 10;

// What was chosen for grown athletes does not hold for the young, whom the school holds for less long.
const keptAs = (usual) => `${KEPT}-${usual.holdMost}`;

/** Lead-in and hold, s. */
export const setting = (usual) => ({ lead: usual.leadSeconds, least: usual.holdLeast, most: usual.holdMost, ...JSON.parse(remembered("localStorage", keptAs(usual)) ?? "{}") });
export const ways = () => Object.fromEntries([...box().querySelectorAll("[data-way]")].map((i) => [i.dataset.way, i.checked]));
export const isPad = () => part("pad").checked;
export const fromMove = () => box().querySelector('input[name="ts-from"]:checked').value === "move";

export function drawSetting(usual) {
  const value = setting(usual);
  put("lead", `${value.lead.toFixed(0)} s`);
  put("least", value.least.toFixed(1));
  put("most", `${value.most.toFixed(1)} s`);
  drawStrip(value);
}

/** Lengthens or shortens the lead-in or an end of the hold; its ends stay apart. */
export function change(usual, of, by) {
  const value = setting(usual);
  value[of] = tenth(Math.min(BOUNDS[of][1], Math.max(BOUNDS[of][0], value[of] + by)));
  if (of === "least") value.most = Math.max(value.most, tenth(value.least + APART));
  if (of === "most") value.least = Math.min(value.least, tenth(value.most - APART));
  remember("localStorage", keptAs(usual), JSON.stringify(value));
  drawSetting(usual);
}

export function saySound() {
  const ms = latency();
  put("sound", ms === null ? "" : `A sound needs ${Math.round(ms)} ms to leave this device, as it measures itself; it is asked for that much earlier.`);
}
