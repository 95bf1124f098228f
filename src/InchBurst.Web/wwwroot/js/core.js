// Core on the device: the rules of a session as the server has them, once they are here. Nothing waits for them; where they cannot run, the server is asked alone.
let device = null;
let isOpen = false;

const dotnetAt = (base) => import(`${base}dotnet.js`);

/** True when Core can be asked about this session. */
export const isReady = () => isOpen;

/** What is said of a load: by its kilograms, or by how much it slows and a number of steps from there; null while Core is not there. */
export function loadOf(document, { kg, by, step = 0 }) {
  if (!device) return null;
  try { return JSON.parse(kg === undefined ? device.Load(document, by, step) : device.LoadOfMass(document, kg)); } catch (error) { console.warn("Core on the device:", error.message); return null; }
}

let starting = null;

/** Brings Core itself; it need not wait for the session it is to know. */
export function start(base) {
  starting ??= dotnetAt(base).then(({ dotnet }) => dotnet.create()).then((runtime) => runtime.getAssemblyExports("InchBurst.Device")).then((all) => { device = all.Device; performance.mark("core-here"); });
  // Brought anew when it is asked for again: the signal may have been gone.
  starting.catch(() => { starting = null; });
  return starting;
}

/** Opens the session Core is to know. */
export async function load(base, document) {
  await start(base);
  device.Open(document);
  isOpen = true;
  performance.mark("core-ready");
}

const attempt = (act) => {
  if (!isOpen) return null;
  try { return act(); } catch (error) { console.warn("Core on the device:", error.message); return null; }
};

/** Tells Core the session as the server has it now. */
export const hear = (state) => attempt(() => { device.Hear(state); return true; });

/** Tells Core what changed since. */
export const change = (what) => attempt(() => { device.Change(JSON.stringify(what)); return true; });

/** The session as the server last told it, as text. */
export const told = () => attempt(() => device.Told());

/** What an athlete is expected to take on a line, and the best to beat, box by box. */
export const expected = (athlete, line) => attempt(() => JSON.parse(device.Expected(Number(athlete) || 0, Number(line) || 0))) ?? [];

/** What is said of an athlete's load on a line before the run, or null. */
export const called = (athlete, line) => attempt(() => JSON.parse(device.Call(Number(athlete) || 0, Number(line) || 0)));

/** A command that waits, as Core reads it: the verb of its address, and its fields. */
function command(entry) {
  const address = new URL(entry.url, window.location.origin);
  const verb = address.searchParams.get("handler");
  address.searchParams.delete("handler");
  return { verb, fields: [...address.searchParams, ...entry.fields] };
}

/** A start of an athlete on a line: how it is set up, its marks, where the athlete is expected to be; null while Core is not there. */
export const startOf = (athlete, line) => attempt(() => JSON.parse(device.StartOf(Number(athlete) || 0, Number(line) || 0)));

/** How long a hold is, s, by 32 random bits. */
export const startHold = (least, most, draw) => device.StartHold(least, most, draw);

/** What taps and a pad come to. */
export const startRead = (athlete, line, fromMove, go, move, taps) => attempt(() => JSON.parse(device.StartRead(Number(athlete) || 0, Number(line) || 0, fromMove, go, move, taps)));

/** How often each thing was noted of an athlete, by code. */
export const seen = (athlete) => attempt(() => JSON.parse(device.Seen(Number(athlete) || 0))) ?? {};

/** The session with what waits counted as done: who goes, who rests, what the times say. */
export const see = (waiting, now, line, round) => attempt(() => JSON.parse(device.See(JSON.stringify(waiting.map(command)), now, Number(line) || 0, Number(round) || 1)));

/** What is to be said of figures before they are saved. */
export const judge = (url, fields, now) => attempt(() => JSON.parse(device.Judge(JSON.stringify([command({ url, fields })]), now)));

/** A clip by the times of its frames, or null where they are none. */
export const filmClip = (times, width, height) => { const text = device.FilmClip(times, width, height); return text ? JSON.parse(text) : null; };

/** A clip that stands beside another one, taken as that one was; null where its frames are none. */
export const filmBeside = (clip, times, width, height) => { const text = device.FilmBeside(JSON.stringify(clip), times, width, height); return text ? JSON.parse(text) : null; };

/** What marks on a clip mean, looked at on a frame; null while Core is not there. */
export function film(marks, frame, phase) {
  if (!device) return null;
  try { return JSON.parse(device.Film(JSON.stringify(marks), JSON.stringify(frame), phase)); } catch (error) { console.warn("Core on the device:", error.message); return null; }
}
