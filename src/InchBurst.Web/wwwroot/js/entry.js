// Typing times: digits alone find their own point and box, by key, by keypad or pasted; a point or comma typed says the coach places it.
const digitsOf = (text) => text.replace(/\D/g, "");

/** How many digits stand before the point, so that the figure lies nearest to what is expected. */
export function wholeDigits(first, expected) {
  if (first === "0" || !(expected > 0)) return 1;
  let best = 1;
  let least = Infinity;
  for (let n = 1; n <= 4; n += 1) {
    const off = Math.abs(Math.log(((Number(first) + 0.5) * 10 ** (n - 1)) / expected));
    if (off < least) [least, best] = [off, n];
  }
  return best;
}

export const boxesOf = (form) => [...form.querySelectorAll("[data-mark]")];
export const isDirty = (form) => boxesOf(form).some((b) => b.value.trim() !== "");

/** True when anything has been put in, a tapped observation or a side changed by hand too: then the form is not drawn anew. */
export const isBegun = (form) => isDirty(form)
  || [...form.querySelectorAll('input[name="seen"]')].some((i) => (i.type === "checkbox" ? i.checked : i.value.trim() !== ""))
  || [...form.querySelectorAll('input[name="side"]')].some((i) => i.checked !== i.defaultChecked);

export function clear(form) {
  for (const box of boxesOf(form)) {
    box.value = "";
    delete box.dataset.manual;
    box.removeAttribute("aria-invalid");
    box.closest(".t-gate").classList.remove("bad", "odd");
  }
  for (const chip of form.querySelectorAll('input[name="seen"]')) {
    if (chip.type === "checkbox") chip.checked = false;
    else chip.value = "";
  }
  delete form.dataset.at;
}

function settle(box) {
  const expected = Number(box.dataset.expect);
  if (!expected || box.dataset.manual) return false;
  const digits = digitsOf(box.value);
  if (digits !== "" && box.value.replace(".", "") !== digits) return false;
  const whole = digits === "" ? 1 : wholeDigits(digits[0], expected);
  box.value = digits.length <= whole ? digits : `${digits.slice(0, whole)}.${digits.slice(whole)}`;
  return digits.length === whole + 2;
}

function spread(boxes, from, text) {
  const numbers = text.trim().split(/\s+/).filter(Boolean);
  if (numbers.length < 2 || from + numbers.length > boxes.length) return false;
  numbers.forEach((n, i) => {
    boxes[from + i].value = n;
    boxes[from + i].dataset.manual = "yes";
  });
  boxes[Math.min(from + numbers.length, boxes.length - 1)].focus();
  return true;
}

function onward(box) {
  const boxes = boxesOf(box.form);
  const next = boxes[boxes.indexOf(box) + 1];
  if (next && next.value === "") next.focus({ preventScroll: true });
}

/** Puts one key of the keypad where typing goes on. */
export function press(form, key) {
  const boxes = boxesOf(form);
  const box = boxes.includes(document.activeElement) ? document.activeElement : boxes.find((b) => b.value === "") ?? boxes.at(-1);
  if (!box) return;
  box.focus({ preventScroll: true });
  if (key === "back") {
    if (box.value === "" && boxes.indexOf(box) > 0) {
      const before = boxes[boxes.indexOf(box) - 1];
      before.focus({ preventScroll: true });
      before.value = before.value.slice(0, -1);
      before.dispatchEvent(new InputEvent("input", { bubbles: true, inputType: "deleteContentBackward" }));
      return;
    }
    box.value = box.value.slice(0, -1);
    box.dispatchEvent(new InputEvent("input", { bubbles: true, inputType: "deleteContentBackward" }));
    return;
  }
  box.value += key;
  box.dispatchEvent(new InputEvent("input", { bubbles: true, inputType: "insertText", data: key }));
}

const isBox = (target) => target instanceof HTMLInputElement && "mark" in target.dataset;

document.addEventListener("input", (event) => {
  const box = event.target;
  if (!isBox(box)) return;
  // The run ended before its time was typed: the first key is the nearest thing to the finish that a hand gives.
  box.form.dataset.at ??= String(Date.now());
  if (box.value === "") {
    delete box.dataset.manual;
    if (!isDirty(box.form)) delete box.form.dataset.at;
    return;
  }
  if (event.data === "." || event.data === ",") {
    // The point set by itself gives way to the one typed.
    if (!box.dataset.manual) box.value = digitsOf(box.value) + event.data;
    box.dataset.manual = "yes";
    return;
  }
  if (settle(box) && event.inputType === "insertText") onward(box);
});

document.addEventListener("keydown", (event) => {
  const box = event.target;
  if (!isBox(box) || event.ctrlKey || event.metaKey || event.altKey) return;
  const boxes = boxesOf(box.form);
  const at = boxes.indexOf(box);
  if (event.key === "Backspace" && box.value === "" && at > 0) {
    event.preventDefault();
    boxes[at - 1].focus();
    return;
  }
  if (event.key !== " " && event.key !== "Enter") return;
  if (spread(boxes, at, box.value)) event.preventDefault();
  else if (at + 1 < boxes.length && box.value.trim() !== "" && boxes.slice(at + 1).some((b) => b.value.trim() === "")) {
    event.preventDefault();
    boxes[at + 1].focus();
  } else if (event.key === " ") event.preventDefault();
});

document.addEventListener("paste", (event) => {
  if (!isBox(event.target)) return;
  const boxes = boxesOf(event.target.form);
  if (spread(boxes, boxes.indexOf(event.target), event.clipboardData.getData("text"))) event.preventDefault();
});

// A figure counts when the finger comes down: the page may be drawn anew before it lifts. A press also keeps the focus where the figures go.
document.addEventListener("pointerdown", (event) => {
  const key = event.target.closest?.("[data-pad] .pad");
  if (!key) return;
  event.preventDefault();
  press(key.closest("form"), key.dataset.key);
});
document.addEventListener("click", (event) => {
  const key = event.target.closest?.("[data-pad] .pad");
  if (key && event.detail === 0) press(key.closest("form"), key.dataset.key);
});
