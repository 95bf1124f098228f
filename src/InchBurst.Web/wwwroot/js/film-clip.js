// A clip from the device: which frames it has and when, from the file itself, and one of them on the screen. Nothing of it is sent anywhere.

const LAST = 1e9;

export class Clip {
  #want = null;
  #busy = false;
  #address = null;
  #offset = 0;

  /** Told which frame is on the screen. */
  onframe = () => {};

  times = [];

  /** The file it is of, however it was chosen; null while none is open. */
  file = null;

  /** The frame that was asked for: what keys and marks are about. */
  frame = 0;

  /** The frame that is on the screen, a moment behind while it is being found. */
  shown = 0;

  constructor(video) { this.video = video; }

  get isOpen() { return this.times.length > 0; }
  get isPlaying() { return this.isOpen && !this.video.paused; }
  get width() { return this.video.videoWidth; }
  get height() { return this.video.videoHeight; }

  /** Opens a file of the device; tells how much of it is read, from 0 to 1. */
  async open(file, told = () => {}) {
    this.close();
    let times;
    try { times = await (await import("./film-frames.js")).framesOf(file, told); } catch (error) { console.warn("Clip:", error.message); throw new Error("The frames of this file cannot be read. MP4, MOV, WebM and MKV can; phones and cameras make the first two."); }
    if (times.length < 2) throw new Error("There are no two frames in this file.");
    this.file = file;
    this.#address = URL.createObjectURL(file);
    const { video } = this;
    await new Promise((done, fail) => {
      video.addEventListener("loadeddata", done, { once: true });
      video.addEventListener("error", () => fail(new Error("This browser cannot show how the clip is coded. Set the camera to its most compatible format (H.264), or open it in the browser of the phone that filmed it.")), { once: true });
      video.src = this.#address;
      video.load();
    });
    if (!video.videoWidth) throw new Error("This browser finds no picture in the clip.");
    this.times = times;
    // A file may begin later than at 0 by its own clock, and the browser may or may not count from there.
    this.#offset = times[0] > 0 && video.duration < times.at(-1) ? -times[0] : 0;
    await this.show(0);
  }

  /** A frame as Core knows it: its number, when it is shown after the first, and the gap before it. */
  at(n = this.frame) {
    const { times } = this;
    return { number: n, seconds: times[n] - times[0], gap: n > 0 ? times[n] - times[n - 1] : times[1] - times[0] };
  }

  /** Shows a frame; where several are asked for faster than they can be shown, the last of them. */
  async show(n) {
    if (!this.isOpen) return;
    this.pause();
    this.#want = Math.min(Math.max(0, n), this.times.length - 1);
    this.frame = this.#want;
    if (this.#busy) return;
    this.#busy = true;
    try {
      while (this.#want !== null) {
        const next = this.#want;
        this.#want = null;
        await this.#seek(next);
        this.shown = next;
        this.onframe(next);
      }
    } finally { this.#busy = false; }
  }

  #middle(n) {
    const { times } = this;
    const gap = n + 1 < times.length ? times[n + 1] - times[n] : times[n] - times[n - 1];
    return times[n] + gap / 2 + this.#offset;
  }

  #seek(n) {
    const { video } = this;
    return new Promise((done) => {
      video.addEventListener("seeked", () => requestAnimationFrame(() => done()), { once: true });
      video.currentTime = Math.min(this.#middle(n), video.duration || LAST);
    });
  }

  /** Plays so many times as slow as the world went; tells each frame it shows. */
  play(rate, ended = () => {}) {
    const { video } = this;
    video.playbackRate = Math.min(16, Math.max(0.0625, rate));
    if (this.frame >= this.times.length - 1) video.currentTime = this.#middle(0);
    const tell = (_, { mediaTime }) => {
      if (video.paused && !video.ended) return;
      this.frame = this.shown = this.#index(mediaTime - this.#offset);
      this.onframe(this.frame);
      video.requestVideoFrameCallback(tell);
    };
    video.requestVideoFrameCallback(tell);
    video.addEventListener("ended", () => { this.frame = this.shown = this.times.length - 1; this.onframe(this.frame); ended(); }, { once: true });
    return video.play();
  }

  pause() { if (this.isPlaying) this.video.pause(); }

  // The last frame that is shown no later than that.
  #index(seconds) {
    let [low, high] = [0, this.times.length - 1];
    while (low < high) {
      const middle = Math.ceil((low + high) / 2);
      if (this.times[middle] <= seconds + 1e-4) low = middle; else high = middle - 1;
    }
    return low;
  }

  /** Gives back what it holds. */
  close() {
    this.times = [];
    this.frame = this.shown = 0;
    this.file = null;
    this.#want = null;
    if (!this.#address) return;
    this.video.pause();
    this.video.removeAttribute("src");
    this.video.load();
    URL.revokeObjectURL(this.#address);
    this.#address = null;
  }
}
