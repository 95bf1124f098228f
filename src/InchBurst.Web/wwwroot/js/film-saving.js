// What is kept: the marks, and the picture of one frame where the coach said so.
const SAVING = "inchburst-film-saving";
const STILL = 640;

export function saving({ root, clip, marks, phase }) {
  // Small: it shows a position, no more.
  function still() {
    const canvas = document.createElement("canvas");
    canvas.width = Math.min(STILL, clip.width);
    canvas.height = Math.round((clip.height * canvas.width) / clip.width);
    canvas.getContext("2d").drawImage(clip.video, 0, 0, canvas.width, canvas.height);
    return canvas.toDataURL("image/jpeg", 0.8).split(",")[1];
  }

  for (const form of root.querySelectorAll("form[data-save]")) form.addEventListener("submit", () => {
    form.elements.marks.value = JSON.stringify(marks.now);
    form.elements.phase.value = phase();
    try { sessionStorage.setItem(SAVING, marks.key); } catch { /* the draft stays */ }
    form.elements.frame.value = clip.frame;
    form.elements.still.value = root.querySelector("#film-still").value === "Nobody" || !clip.isOpen ? "" : still();
  });
  // The draft of what was just saved goes; those of other clips stay.
  if (root.dataset.saved) { try { localStorage.removeItem(sessionStorage.getItem(SAVING)); } catch { /* nothing was left */ } }
}
