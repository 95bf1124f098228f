// A second picture beside the clip: another frame of it, or another clip; once tied, both go on by the same time of the world.
import { Clip } from "./film-clip.js";

export function beside(root, clip, marksNow, sightNow) {
  const box = root.querySelector("[data-beside]");
  const find = (css) => box.querySelector(css);
  const other = new Clip(find("video"));
  let tied = null;
  let isSame = true;

  for (const field of root.querySelectorAll("[data-file]")) field.addEventListener("change", () => { if (!box.hidden && isSame) close(); });

  const rateOf = (c) => (c.times.length - 1) / (c.times.at(-1) - c.times[0]);
  // A second file is taken to be shot as fast as it says, unless it says the same as the first one, whose true rate is known.
  const trueRate = (c) => { const shot = marksNow().clip.shotRate; return shot && Math.abs(rateOf(c) - rateOf(clip)) < 1 ? shot : rateOf(c); };

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
  const apart = () => (other.at().seconds * rateOf(other)) / trueRate(other) - (clip.at().seconds * rateOf(clip)) / trueRate(clip);

  const told = clip.onframe;
  clip.onframe = (n) => {
    told(n);
    if (tied === null || !other.isOpen) return;
    const seconds = ((clip.at().seconds * rateOf(clip)) / trueRate(clip) + tied) * trueRate(other) / rateOf(other);
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
