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
    if (field.id === "type-text") field.setSelectionRange(field.value.length, field.value.length);
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
