// The sheet of one athlete: swap, pain, done.
import { rowOf } from "./queue.js";

/** Opens it for an athlete; what the server put into it stays when it was typed before. */
export function openPerson(athlete, withTyped = false) {
  const dialog = document.getElementById("t-person");
  const row = rowOf(athlete);
  for (const input of dialog.querySelectorAll('input[name="athlete"]')) input.value = athlete;
  if (row) {
    dialog.querySelector("#t-person-name").textContent = row.dataset.name;
    const holds = dialog.querySelector('input[name="holds"]');
    if (holds) holds.value = row.dataset.holds;
  }
  if (!withTyped) for (const input of dialog.querySelectorAll("input:not([type=hidden])")) input.value = "";
  for (const form of dialog.querySelectorAll("[data-when]")) form.hidden = row?.dataset.state !== form.dataset.when;
  dialog.showModal();
}
