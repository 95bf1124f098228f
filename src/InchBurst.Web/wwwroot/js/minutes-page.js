// Enter goes on to the next box and stores from the last one.
const boxes = [...document.querySelectorAll(".minutes input[inputmode=numeric]")];
for (const [at, box] of boxes.entries()) {
  box.addEventListener("focus", () => box.select());
  box.addEventListener("keydown", (event) => {
    if (event.key !== "Enter" || at === boxes.length - 1) return;
    event.preventDefault();
    boxes[at + 1].focus();
  });
}
(boxes.find((box) => box.value === "") ?? boxes[0])?.focus();
