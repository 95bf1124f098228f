// A question mark shows the keys of a page; in a box for figures, which takes none, as well.
document.addEventListener("keydown", (event) => {
  const keys = document.getElementById("keys");
  if (!keys || event.key !== "?" || event.ctrlKey || event.metaKey || event.altKey) return;
  const { target } = event;
  if (target.matches?.("input, textarea, select, [contenteditable]") && !("mark" in target.dataset)) return;
  event.preventDefault();
  if (keys.open) keys.close();
  else if (!document.querySelector("dialog[open]")) keys.showModal();
});
document.addEventListener("click", (event) => {
  if (event.target.closest?.("[data-keys-open]")) document.getElementById("keys")?.showModal();
  if (event.target.closest?.("[data-keys-close]")) document.getElementById("keys")?.close();
});
