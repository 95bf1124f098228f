// What every page does. Pages work without scripts; these make work faster.
import "./requests.js";
import "./forms.js";
import "./signout.js";

// What is to be sent elsewhere is copied with one tap.
document.addEventListener("click", (event) => {
  const copy = event.target.closest?.("[data-copy]");
  if (!copy) return;
  const from = document.querySelector(copy.dataset.copy);
  from.select();
  navigator.clipboard?.writeText(from.value).then(() => { copy.textContent = "Copied"; }, () => { copy.textContent = "Press Ctrl+C"; });
});
