// The sounds of a start, made on the device; nothing is fetched.
const ANSWERS = 300;
let audio = null;

/** Wakes the device's sound; only a press may. */
export async function wake() {
  try {
    audio ??= new AudioContext({ latencyHint: "interactive" });
    // A browser that lets nothing sound yet never answers; the start does not wait for it.
    if (audio.state === "suspended") await Promise.race([audio.resume(), new Promise((done) => { window.setTimeout(done, ANSWERS); })]);
  } catch { audio = null; }
}

/** How long a sound takes from being asked for to leaving the device, ms, as the device measures it; null where it does not say. */
export function latency() {
  const seconds = audio ? audio.outputLatency || audio.baseLatency : 0;
  return seconds > 0 ? seconds * 1000 : null;
}

function burst(at, seconds, make) {
  const source = make();
  const gain = audio.createGain();
  gain.gain.setValueAtTime(0.9, at);
  gain.gain.exponentialRampToValueAtTime(0.001, at + seconds);
  source.connect(gain).connect(audio.destination);
  source.start(at);
  source.stop(at + seconds);
  return source;
}

const noise = () => {
  const data = audio.createBuffer(1, audio.sampleRate / 4, audio.sampleRate);
  const samples = data.getChannelData(0);
  for (let i = 0; i < samples.length; i += 1) samples[i] = Math.random() * 2 - 1;
  return Object.assign(audio.createBufferSource(), { buffer: data });
};

/** Has the clap leave the device at a moment of its own clock, ms; the way out is taken off. What is returned takes it back. */
export function clapAt(moment) {
  if (!audio) return () => {};
  const at = Math.max(audio.currentTime, audio.currentTime + (moment - performance.now() - (latency() ?? 0)) / 1000);
  const source = burst(at, 0.18, noise);
  return () => { try { source.stop(0); source.disconnect(); } catch { /* it has ended by itself */ } };
}

/** A short tone. */
export function beep(hertz) {
  if (audio) burst(audio.currentTime, 0.15, () => { const tone = audio.createOscillator(); tone.frequency.value = hertz; return tone; });
}

/** Says words with a voice of the device, where it has one, else with a tone. */
export function speak(words) {
  const voice = window.speechSynthesis?.getVoices().find((v) => v.localService && v.lang.startsWith("en"));
  if (!voice) { beep(words === "Set" ? 880 : 440); return; }
  window.speechSynthesis.speak(Object.assign(new SpeechSynthesisUtterance(words), { voice, rate: 1.1 }));
}

export const hush = () => window.speechSynthesis?.cancel();
