// Trackside: the clock, rests counting down from the finish of each run, and marks typed with space or Enter.
let offset = 0;

function clock(seconds) {
  const whole = Math.max(0, Math.round(seconds));
  return `${Math.floor(whole / 60)}:${String(whole % 60).padStart(2, "0")}`;
}

function tick() {
  const now = Date.now() + offset;
  for (const el of document.querySelectorAll("[data-clock-from]")) el.textContent = clock((now - Number(el.dataset.clockFrom)) / 1000);
  for (const el of document.querySelectorAll("[data-until]")) {
    const left = (Number(el.dataset.until) - now) / 1000;
    el.textContent = left > 0 ? clock(left) : "Ready";
    if (left <= 0) el.closest(".q")?.classList.add("ready-now");
  }
  for (const el of document.querySelectorAll("[data-bar-until]")) el.value = Math.max(0, Math.min(240, (Number(el.dataset.barUntil) - now) / 1000));
}

function ready() {
  const live = document.querySelector("[data-live]");
  if (!live) return;
  // The server's clock counts: the phones around a track never agree.
  offset = Number(live.dataset.now) - Date.now();
  tick();
  const form = live.querySelector("[data-marks]");
  if (form && !form.dataset.ready) {
    form.dataset.ready = "yes";
    const bad = form.querySelector(".bad [data-mark], .odd [data-mark]");
    (bad ?? form.querySelector("[data-mark]"))?.focus({ preventScroll: true });
    bad?.select();
  }
}

function spread(boxes, from, text) {
  const numbers = text.trim().split(/\s+/).filter(Boolean);
  if (numbers.length < 2 || from + numbers.length > boxes.length) return false;
  numbers.forEach((n, i) => { boxes[from + i].value = n; });
  boxes[Math.min(from + numbers.length, boxes.length - 1)].focus();
  return true;
}

document.addEventListener("keydown", (event) => {
  if (!(event.target instanceof HTMLInputElement) || !("mark" in event.target.dataset)) return;
  const form = event.target.form;
  const boxes = [...form.querySelectorAll("[data-mark]")];
  const at = boxes.indexOf(event.target);
  const onward = event.key === " " || event.key === "Enter";
  if (!onward) return;
  if (spread(boxes, at, event.target.value)) event.preventDefault();
  else if (at + 1 < boxes.length && event.target.value.trim() !== "" && boxes.slice(at + 1).some((b) => b.value.trim() === "")) {
    event.preventDefault();
    boxes[at + 1].focus();
  } else if (event.key === " ") event.preventDefault();
});

document.addEventListener("paste", (event) => {
  if (!(event.target instanceof HTMLInputElement) || !("mark" in event.target.dataset)) return;
  const boxes = [...event.target.form.querySelectorAll("[data-mark]")];
  if (spread(boxes, boxes.indexOf(event.target), event.clipboardData.getData("text"))) event.preventDefault();
});

document.addEventListener("htmx:afterSettle", ready);
setInterval(tick, 500);
ready();
