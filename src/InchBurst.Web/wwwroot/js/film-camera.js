// How fast the camera really took its frames, asked where a file may not say the truth and remembered by this device; where it stood.
const RATE = "inchburst-film-rate";

const remembered = () => { try { return JSON.parse(localStorage.getItem(RATE)) ?? {}; } catch { return {}; } };

export function camera({ root, marks, wrong }) {
  const find = (css) => root.querySelector(css);
  let stated = 0;

  function remember(rate, value) {
    try { localStorage.setItem(RATE, JSON.stringify({ ...remembered(), [rate]: value })); } catch { /* asked again next time */ }
    find("[data-slow-ask]").hidden = true;
  }

  find("[data-rate]").addEventListener("change", (event) => {
    const value = Number(event.target.value.replace(",", "."));
    if (!(value >= 10 && value <= 2000)) { wrong("rate", "From 10 to 2000 frames a second."); return; }
    wrong("rate", "");
    marks.change((now) => { now.clip.shotRate = Math.round(value) === stated ? null : value; });
    remember(stated, value);
  });
  find("[data-rate-right]").addEventListener("click", () => remember(stated, stated));
  for (const field of root.querySelectorAll("[data-camera]")) field.addEventListener("change", () => {
    const value = field.value.trim() === "" ? null : Number(field.value.replace(",", "."));
    const isSaid = value === null || (Number.isFinite(value) && (field.dataset.camera === "cameraMetres" ? value > 0 && value <= 1000 : value >= 0 && value <= 100));
    wrong(field.dataset.camera, isSaid ? "" : "In metres, such as 15.");
    if (isSaid) marks.change((now) => { now[field.dataset.camera] = field.dataset.camera === "besideMetres" ? value ?? 0 : value; });
  });

  return {
    /** What this device was told of clips that say the same rate. */
    told(opened) {
      stated = opened.stated;
      const rate = remembered()[stated];
      if (rate && rate !== stated) opened.clip.shotRate = rate;
    },

    /** Shows what is known of the clip's rate; asked where a slow-motion file may say less than the truth and nothing is known. */
    show({ maySlow }) {
      const shot = marks.now.clip.shotRate ?? null;
      find("[data-rate]").value = shot ?? stated;
      find("[data-stated]").textContent = `the file says ${stated}`;
      find("[data-slow-ask]").hidden = !maySlow || remembered()[stated] !== undefined || shot !== null;
      for (const [name, value] of [["cameraMetres", marks.now.cameraMetres], ["besideMetres", marks.now.besideMetres || null]]) find(`[data-camera="${name}"]`).value = value ?? "";
    },
  };
}
