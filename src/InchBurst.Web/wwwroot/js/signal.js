// A "next" signal: a flash of the edge, a short buzz, and a tone where sound is on.
import { remember, remembered } from "./memory.js";

const SOUND = "inch-burst-sound";
const isOn = () => remembered("localStorage", SOUND) === "on";
let tones;

function tone() {
  tones ??= new AudioContext();
  const [voice, volume] = [tones.createOscillator(), tones.createGain()];
  voice.frequency.value = 880;
  volume.gain.setValueAtTime(0.25, tones.currentTime);
  volume.gain.exponentialRampToValueAtTime(0.001, tones.currentTime + 0.5);
  voice.connect(volume).connect(tones.destination);
  voice.start();
  voice.stop(tones.currentTime + 0.5);
}

export function signal() {
  const { body } = document;
  body.classList.remove("signal");
  // Read once, so that the same flash can begin anew.
  void body.offsetWidth;
  body.classList.add("signal");
  navigator.vibrate?.(200);
  if (isOn()) tone();
}

/** Shows on the buttons whether sound is on. */
export function showSound(root) {
  for (const button of root.querySelectorAll("[data-signal-sound]")) {
    button.setAttribute("aria-pressed", String(isOn()));
    button.textContent = isOn() ? "Sound on" : "Sound off";
  }
}

document.addEventListener("click", (event) => {
  if (!event.target.closest?.("[data-signal-sound]")) return;
  remember("localStorage", SOUND, isOn() ? "off" : "on");
  showSound(document);
  if (isOn()) tone();
});
