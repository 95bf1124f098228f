// A drill: on request its figure moves, at true or slow speed. Nothing moves by itself, and where a person prefers no movement it goes one step a press.
const root = document.querySelector("[data-moving]");
const still = matchMedia("(prefers-reduced-motion: reduce)");
let frames = [];
let seconds = 1;
let shown = 0;
let started = 0;
let slow = 1;
let running = 0;

const show = (index) => {
  frames[shown].setAttribute("display", "none");
  shown = index % frames.length;
  frames[shown].removeAttribute("display");
};

function step(now) {
  started ||= now;
  show(Math.floor((((now - started) / 1000 / (seconds * slow)) % 1) * frames.length));
  running = requestAnimationFrame(step);
}

function stop() {
  cancelAnimationFrame(running);
  running = 0;
  started = 0;
}

async function load() {
  if (frames.length > 0) return;
  const answer = await fetch(root.dataset.moving);
  if (!answer.ok) throw new Error(answer.statusText);
  const picture = new DOMParser().parseFromString(await answer.text(), "image/svg+xml").documentElement;
  const place = root.querySelector("[data-stage]");
  place.replaceChildren(document.importNode(picture, true));
  place.hidden = false;
  frames = [...place.querySelectorAll("[data-frame]")];
  seconds = Number(place.firstElementChild.dataset.seconds);
}

root?.addEventListener("click", async (event) => {
  const button = event.target.closest("button");
  if (!button) return;
  const said = root.querySelector("[data-said]");
  try {
    await load();
    said.textContent = "";
  } catch {
    said.textContent = "The movement could not be fetched. Try again.";
    return;
  }
  stop();
  if (button.dataset.speed === "step" || (still.matches && button.dataset.speed !== "stop")) show(shown + 1);
  else if (button.dataset.speed !== "stop") {
    slow = Number(button.dataset.speed);
    running = requestAnimationFrame(step);
  }
  for (const other of root.querySelectorAll("button")) other.setAttribute("aria-pressed", String(other === button && running !== 0));
});
