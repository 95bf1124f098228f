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
