// A second picture beside the clip: another frame of it, or another clip; once tied, both go on by the same time of the world.
import * as core from "./core.js";
import { Clip } from "./film-clip.js";

export function beside(root, clip, marksNow, sightNow) {
  const box = root.querySelector("[data-beside]");
  const find = (css) => box.querySelector(css);
  const other = new Clip(find("video"));
  let tied = null;
  let isSame = true;

  for (const field of root.querySelectorAll("[data-file]")) field.addEventListener("change", () => { if (!box.hidden && isSame) close(); });

  // Seconds of the world in one of the file, as Core says of either.
  let slowed = 1;
  const world = () => clip.at().seconds * sightNow().slowed;

  function tell() {
    const at = other.times.length > 0 ? `frame ${other.shown}` : "";
    const landing = isSame ? sightNow()?.bars.find((b) => b.down === other.shown) : null;
    find("[data-where]").textContent = `${at}${landing ? `, ${landing.foot} foot down` : ""}`;
    find("[data-tie]").setAttribute("aria-pressed", String(tied !== null));
  }

  async function open(which, same) {
    find("[data-wrong]").textContent = "";
    try {
      await other.open(which);
      slowed = core.filmBeside(marksNow().clip, other.times, other.width, other.height)?.slowed ?? 1;
      isSame = same;
      box.hidden = false;
      root.dataset.beside = "yes";
      if (same) await other.show(clip.frame);
      tied = null;
      tell();
    } catch (error) { box.hidden = false; find("[data-wrong]").textContent = error.message; }
  }

  function close() {
    other.close();
    tied = null;
    box.hidden = true;
    delete root.dataset.beside;
  }

  const step = (n) => other.show(n).then(() => { if (tied !== null) tied = apart(); });
  // How much later the other clip is, s of the world.
  const apart = () => other.at().seconds * (isSame ? sightNow().slowed : slowed) - world();

  const told = clip.onframe;
  clip.onframe = (n) => {
    told(n);
    if (tied === null || !other.isOpen) return;
    const seconds = (world() + tied) / (isSame ? sightNow().slowed : slowed);
    let best = 0;
    for (let i = 1; i < other.times.length; i++) if (Math.abs(other.times[i] - other.times[0] - seconds) < Math.abs(other.times[best] - other.times[0] - seconds)) best = i;
    other.show(best);
  };
  other.onframe = tell;

  const acts = {
    same: () => open(clip.file, true),
    back: () => step(other.frame - 1),
    on: () => step(other.frame + 1),
    // The landing after the one that is shown, so that left stands against right.
    next: () => { const next = (sightNow()?.bars ?? []).map((b) => b.down).filter((d) => Number.isInteger(d)).sort((a, b) => a - b); if (isSame && next.length > 0) step(next.find((d) => d > other.frame) ?? next[0]); },
    tie: () => { tied = tied === null ? apart() : null; tell(); },
    close,
  };
  root.addEventListener("click", (event) => {
    const act = event.target.closest("[data-beside-do]")?.dataset.besideDo;
    if (act && clip.isOpen) acts[act]();
  });
  root.querySelector("[data-beside-file]").addEventListener("change", (event) => { if (event.target.files.length > 0) open(event.target.files[0], false); });
  window.addEventListener("pagehide", () => other.close());
}
