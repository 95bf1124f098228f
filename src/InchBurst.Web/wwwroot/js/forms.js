// Selects that act at once, and a question before something could be lost.
document.addEventListener("change", (event) => {
  const form = event.target.closest("form[data-auto-submit]");
  if (form) form.requestSubmit();
  if (event.target.matches("[data-submit-on-change]")) event.target.form.requestSubmit();
});
document.addEventListener("submit", (event) => {
  const question = event.target.dataset?.confirm;
  if (question && !window.confirm(question)) {
    event.preventDefault();
    event.stopImmediatePropagation();
  }
}, true);
document.addEventListener("click", (event) => {
  if (event.target.closest("[data-print]")) window.print();
});

// What was just done is taken back by key where a page offers it; in a field the key is the field's own, and the builder has steps of its own.
document.addEventListener("keydown", (event) => {
  if (!(event.ctrlKey || event.metaKey) || event.shiftKey || event.key.toLowerCase() !== "z" || event.defaultPrevented || document.getElementById("builder")) return;
  if (event.target.matches?.("input:not([type=radio]):not([type=checkbox]), textarea, select")) return;
  const undo = document.querySelector(".toast-bar form button, [data-key=undo]");
  if (!undo) return;
  event.preventDefault();
  undo.click();
});
