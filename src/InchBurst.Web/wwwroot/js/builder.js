// The builder by keyboard and by pointer: dragging blocks, Alt+arrows, Escape, Ctrl+Z and Ctrl+Y.
import Sortable from "../lib/sortable.esm.js";

function ready() {
  const builder = document.querySelector("[data-builder]");
  if (!builder) return;
  const list = builder.querySelector("[data-sortable]");
  if (list && !list.dataset.sorted) {
    list.dataset.sorted = "yes";
    Sortable.create(list, {
      handle: "[data-grip]",
      animation: 120,
      onEnd: (event) => {
        if (event.oldIndex === event.newIndex) return;
        window.htmx.ajax("POST", list.dataset.sortable, {
          target: "#builder",
          swap: "outerHTML",
          values: { block: event.item.dataset.block, place: event.newIndex },
        });
      },
    });
  }
  const field = builder.querySelector("#edit-text") ?? builder.querySelector("#type-text");
  if (field && (document.activeElement === document.body || document.activeElement === null)) {
    field.focus({ preventScroll: true });
    field.setSelectionRange(field.value.length, field.value.length);
  }
}

function press(builder, key) {
  const target = builder.querySelector(`[data-key="${key}"]:not([disabled])`);
  target?.click();
  return Boolean(target);
}

document.addEventListener("keydown", (event) => {
  const builder = document.querySelector("[data-builder]");
  if (!builder) return;
  const typing = event.target instanceof HTMLInputElement && event.target.value !== event.target.defaultValue;
  let used = false;
  if (event.altKey && event.key === "ArrowUp") used = press(builder, "up");
  else if (event.altKey && event.key === "ArrowDown") used = press(builder, "down");
  else if (event.key === "Escape" && builder.contains(event.target)) used = press(builder, "close");
  else if ((event.ctrlKey || event.metaKey) && !typing && event.key.toLowerCase() === "z" && !event.shiftKey) used = press(builder, "undo");
  else if ((event.ctrlKey || event.metaKey) && !typing && (event.key.toLowerCase() === "y" || (event.key.toLowerCase() === "z" && event.shiftKey))) used = press(builder, "redo");
  if (used) event.preventDefault();
});

document.addEventListener("DOMContentLoaded", ready);
document.addEventListener("htmx:afterSettle", ready);
ready();

// What fits the words being typed: a tap or Tab puts it in.
function take(offer) {
  const box = offer.closest(".reads");
  const field = document.querySelector(`[aria-describedby="${box.id}"]`);
  field.value = offer.dataset.offer;
  field.focus();
  field.dispatchEvent(new Event("input", { bubbles: true }));
}

document.addEventListener("click", (event) => {
  const offer = event.target.closest("[data-offer]");
  if (offer) take(offer);
  const fold = event.target.closest("[data-fold]");
  if (fold) {
    const key = `folded-${fold.dataset.fold}-${fold.closest("[data-session]").dataset.session}`;
    if (sessionStorage.getItem(key)) sessionStorage.removeItem(key);
    else sessionStorage.setItem(key, "yes");
    foldAll();
  }
});

// Arrow down goes to the offers, Enter takes the one that is lit; Tab leaves the field as everywhere.
document.addEventListener("keydown", (event) => {
  const offers = (box) => [...(box?.querySelectorAll("[data-offer]") ?? [])];
  if (event.key === "ArrowDown" && event.target.matches?.("[aria-describedby$='reads']")) {
    const first = offers(document.getElementById(event.target.getAttribute("aria-describedby")))[0];
    if (first) {
      event.preventDefault();
      first.focus();
    }
    return;
  }
  const here = event.target.closest?.("[data-offer]");
  if (!here) return;
  const all = offers(here.closest(".reads"));
  const step = { ArrowRight: 1, ArrowDown: 1, ArrowLeft: -1, ArrowUp: -1 }[event.key];
  if (step) {
    event.preventDefault();
    const next = all[all.indexOf(here) + step];
    if (next) next.focus();
    else if (step < 0) document.querySelector(`[aria-describedby="${here.closest(".reads").id}"]`).focus();
  }
});

function foldAll() {
  for (const fold of document.querySelectorAll("[data-fold]")) {
    const folded = sessionStorage.getItem(`folded-${fold.dataset.fold}-${fold.closest("[data-session]").dataset.session}`) !== null;
    fold.setAttribute("aria-expanded", String(!folded));
    fold.closest(".block").classList.toggle("folded", folded);
  }
}

document.addEventListener("htmx:afterSettle", foldAll);
foldAll();
