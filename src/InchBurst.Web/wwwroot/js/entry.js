// Typing times: digits alone find their own point and box, by key, by keypad or pasted; a point or comma typed says the coach places it.
import { forget, remember, remembered } from "./memory.js";

const digitsOf = (text) => text.replace(/\D/g, "");

/** A figure with its point where Core says it stands for this first digit, and whether the two digits after it are there. */
export function place(digits, points) {
  const whole = Number(points[1 + Number(digits[0])]);
  return [whole === 0 ? `0${points[0]}${digits}` : digits.length <= whole ? digits : `${digits.slice(0, whole)}${points[0]}${digits.slice(whole)}`, digits.length === whole + 2];
}

// What a stopwatch of a start was counted from, and the reaction.
const WATCH = 'input[name="watch"], input[name="reaction"]';

// What was said last, for which rep: a form that is drawn anew meanwhile, by a report of the gates or a question, says it again when it is sent.
let said = null;
document.addEventListener("submit", ({ target }) => {
  if (target.id === "t-entry" && said?.place === placeOf(target) && !target.querySelector(WATCH)) setWatch(target, said.from, said.reaction);
}, true);

/** Says with a form what its times were counted from, and the reaction; both go with the figures they belong to. */
export function setWatch(form, from, reaction) {
  said = { place: placeOf(form), from, reaction };
  for (const [name, value] of [["watch", from], ["reaction", reaction]]) {
    let field = form.querySelector(`input[name="${name}"]`);
    if (!field) { field = Object.assign(document.createElement("input"), { type: "hidden", name }); form.append(field); }
    field.value = value;
  }
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
  delete form.dataset.advanced;
  for (const of of form.querySelectorAll(WATCH)) of.remove();
  // Figures that were tapped go with what they were counted from; a reaction alone waits for the time it belongs to.
  if (said?.from) said = null;
  form.querySelector(".t-doubt[data-here]")?.remove();
  form.querySelector("[data-part-said]")?.remove();
  if (form.id === "t-entry") forget("sessionStorage", DRAFT);
  hidePart(form);
}

const marksOf = (form) => boxesOf(form).filter((b) => b.name === "mark");

/** The boxes of marks that are still empty in a form in which some mark has a figure. */
export function missing(form) {
  const marks = marksOf(form);
  const empty = marks.filter((b) => b.value.trim() === "");
  // A whole run may stand in one box, and a dash says that a mark is left out.
  return empty.length === marks.length || marks.some((b) => /\s/.test(b.value.trim())) ? [] : empty;
}

/** Asks once why figures are missing; the answers are buttons and keys of their own. */
export function askPart(form) {
  const ask = form.querySelector("[data-part-ask]");
  const empty = missing(form);
  if (!ask || empty.length === 0) return false;
  ask.querySelector("p").textContent = `No time at ${empty.map((b) => b.dataset.label).join(" and ")}.`;
  const marks = marksOf(form);
  const trailing = empty.every((b) => marks.indexOf(b) >= marks.length - empty.length);
  ask.querySelector('[data-part-key="x"]').hidden = !trailing;
  ask.hidden = false;
  ask.querySelector("button").focus({ preventScroll: true });
  ask.scrollIntoView({ block: "nearest" });
  return true;
}

function hidePart(form) {
  const ask = form.querySelector("[data-part-ask]");
  if (ask) ask.hidden = true;
}

// ---- what is half typed outlives a reload of the page

const DRAFT = "inch-burst-draft";
const placeOf = (form) => [form.action, ...["athlete", "line", "rep"].map((name) => form.elements[name]?.value)].join(" ");

function keepDraft(form) {
  if (form.id !== "t-entry") return;
  if (!isBegun(form)) { forget("sessionStorage", DRAFT); return; }
  const seen = [...form.querySelectorAll('input[name="seen"]')].map((i) => (i.type === "checkbox" ? i.checked : i.value));
  remember("sessionStorage", DRAFT, JSON.stringify({ place: placeOf(form), at: form.dataset.at, seen, watch: ["watch", "reaction"].map((n) => form.querySelector(`input[name="${n}"]`)?.value), marks: boxesOf(form).map((b) => [b.value, b.dataset.manual]) }));
}

/** Puts back what was half typed for this rep before the page was loaded anew. */
export function restoreDraft(form) {
  const draft = JSON.parse(remembered("sessionStorage", DRAFT) ?? "null");
  if (draft?.place !== placeOf(form) || isBegun(form)) return;
  boxesOf(form).forEach((box, i) => {
    [box.value] = draft.marks[i] ?? [""];
    if (draft.marks[i]?.[1]) box.dataset.manual = "yes";
  });
  form.querySelectorAll('input[name="seen"]').forEach((input, i) => {
    if (input.type === "checkbox") input.checked = Boolean(draft.seen[i]);
    else input.value = draft.seen[i] ?? "";
  });
  if (draft.watch?.some(Boolean)) setWatch(form, draft.watch[0] ?? "", draft.watch[1] ?? "");
  if (draft.at) form.dataset.at = draft.at;
}

document.addEventListener("input", (event) => { const form = event.target.closest?.("#t-entry"); if (form) keepDraft(form); });
document.addEventListener("change", (event) => { const form = event.target.closest?.("#t-entry"); if (form) keepDraft(form); });

function settle(box) {
  const { points, manual } = box.dataset;
  if (!points || manual) return false;
  const digits = digitsOf(box.value);
  if (digits !== "" && box.value.replace(points[0], "") !== digits) return false;
  if (digits === "") { box.value = ""; return false; }
  const [text, isWhole] = place(digits, points);
  box.value = text;
  return isWhole;
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
  if (!next || next.value !== "") return;
  next.focus({ preventScroll: true });
  // Enter by habit means the step that has just been made.
  box.form.dataset.advanced = "yes";
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
  // What was doubted is typed anew, and so is what is marked.
  const anew = box.getAttribute("aria-invalid") === "true" || (box.value !== "" && box.selectionStart === 0 && box.selectionEnd === box.value.length);
  if (anew) {
    delete box.dataset.manual;
    box.removeAttribute("aria-invalid");
  }
  // Where minutes are expected the keypad's point divides them from the seconds.
  const sign = key === "." && box.dataset.points?.startsWith(":") && !box.value.includes(":") ? ":" : key;
  box.value = anew ? sign : box.value + sign;
  box.dispatchEvent(new InputEvent("input", { bubbles: true, inputType: "insertText", data: sign }));
}

const isBox = (target) => target instanceof HTMLInputElement && "mark" in target.dataset;

document.addEventListener("input", (event) => {
  const box = event.target;
  if (!isBox(box)) return;
  hidePart(box.form);
  // Another figure is no longer the one that was doubted.
  box.form.querySelector(".t-doubt[data-here]")?.remove();
  delete box.form.dataset.advanced;
  // The run ended before its time was typed: the first key is the nearest thing to the finish that a hand gives.
  box.form.dataset.at ??= String(Date.now());
  if (box.value === "") {
    delete box.dataset.manual;
    if (!isDirty(box.form)) delete box.form.dataset.at;
    return;
  }
  if ([".", ",", ":"].includes(event.data)) {
    // The point set by itself gives way to the one typed.
    if (!box.dataset.manual) box.value = digitsOf(box.value).replace(/^0+(?=\d)/, "") + event.data;
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
  if (spread(boxes, at, box.value)) {
    event.preventDefault();
    return;
  }
  const filled = box.value.trim() !== "";
  const next = boxes.slice(at + 1).find((b) => b.value.trim() === "");
  if (filled && next) {
    event.preventDefault();
    next.focus();
  } else if (event.key === " " || (!filled && box.form.dataset.advanced)) {
    // The box was left by itself when its digits were whole: this Enter would have done the same.
    event.preventDefault();
    delete box.form.dataset.advanced;
  }
});

// One key answers why figures are missing; a figure goes to the box that lacks it.
document.addEventListener("keydown", (event) => {
  const form = event.target.closest?.("#t-entry");
  const ask = form?.querySelector(".t-doubt, .t-part:not([hidden])");
  if (!ask || event.ctrlKey || event.metaKey || event.altKey) return;
  const answer = ask.querySelector(`[data-part-key="${event.key.toLowerCase()}"]:not([hidden])`);
  if (answer) {
    event.preventDefault();
    answer.click();
  } else if (ask.contains(event.target) && (event.key === "Escape" || /^[0-9]$/.test(event.key))) {
    event.preventDefault();
    hidePart(form);
    missing(form)[0]?.focus({ preventScroll: true });
    if (event.key !== "Escape") press(form, event.key);
  }
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
