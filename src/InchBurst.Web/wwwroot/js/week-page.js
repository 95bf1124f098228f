// The week by keyboard and by pointer: a session is dragged to another day of its row, or moved with Alt and an arrow.
import "./keys.js";
import Sortable from "../lib/sortable.esm.js";

const board = () => document.querySelector("[data-board]");
const cells = () => [...board().querySelectorAll("td[data-day]")];
let focusOn = null;

function ready() {
  const table = board();
  if (!table || table.dataset.sorted) return;
  table.dataset.sorted = "yes";
  for (const row of table.querySelectorAll("tr[data-group]")) {
    for (const cell of row.querySelectorAll("td[data-day]")) {
      Sortable.create(cell, {
        group: row.dataset.group,
        draggable: "[data-open=yes]",
        animation: 120,
        sort: false,
        forceFallback: true,
        fallbackTolerance: 4,
        onMove: (event) => event.to.dataset.day >= today(),
        onEnd: (event) => {
          if (event.to === event.from) return;
          focusOn = event.item.dataset.session;
          window.htmx.ajax("POST", "/Season?handler=Move", { target: "#week", swap: "outerHTML", values: { week: document.getElementById("week").dataset.week, session: event.item.dataset.session, seen: event.from.dataset.day, to: event.to.dataset.day } });
        },
      });
    }
  }
  if (focusOn) {
    table.querySelector(`[data-session="${focusOn}"] [data-card]`)?.focus();
    focusOn = null;
  }
}

const today = () => board()?.querySelector("td.today")?.dataset.day ?? "";

function go(from, dx, dy) {
  const rows = [...board().querySelectorAll("tr[data-group]")];
  const cell = from.closest("td[data-day]");
  const row = rows.indexOf(cell.closest("tr"));
  const column = [...rows[row].querySelectorAll("td[data-day]")].indexOf(cell);
  const cards = [...cell.querySelectorAll("[data-card]")];
  const within = cards[cards.indexOf(from) + dy];
  if (dy && within) {
    within.focus();
    return;
  }
  for (let r = row + dy, c = column + dx; r >= 0 && r < rows.length && c >= 0 && c < 7; r += dy, c += dx) {
    const next = rows[r].querySelectorAll("td[data-day]")[c].querySelector("[data-card], .match-name");
    if (next) {
      next.focus();
      return;
    }
    if (!dx && !dy) return;
  }
}

document.addEventListener("keydown", (event) => {
  const here = event.target.closest?.("[data-card], .match-name");
  if (!here || !board()?.contains(here)) return;
  const arrows = { ArrowLeft: [-1, 0], ArrowRight: [1, 0], ArrowUp: [0, -1], ArrowDown: [0, 1] };
  const card = here.closest("[data-session]");
  const press = (act) => {
    const button = card?.querySelector(`[data-act=${act}]:not([disabled])`);
    if (!button) return false;
    focusOn = card.dataset.session;
    button.click();
    return true;
  };
  let used = false;
  if (event.altKey && event.key === "ArrowLeft") used = press("left");
  else if (event.altKey && event.key === "ArrowRight") used = press("right");
  else if (event.ctrlKey || event.metaKey || event.altKey) return;
  else if (arrows[event.key]) {
    go(here, ...arrows[event.key]);
    used = true;
  } else if (event.key === "Delete" || event.key === "Backspace") used = press("out");
  else if (event.key.toLowerCase() === "p") used = press("pin");
  if (used) event.preventDefault();
});

document.addEventListener("DOMContentLoaded", ready);
document.addEventListener("htmx:afterSettle", ready);
ready();
