// Marking a place on the picture: by a finger with a loupe over it, by a mouse, or by the arrow keys.
const ZOOM = 3;
const REACH = 22;

export class Placing {
  #asked = null;
  #taken = null;
  #step = 0;

  /** Where the crosshair of the keys is, px of the picture; null while they are not used. */
  cross = null;

  /** Places of a mark that is half made. */
  pending = [];

  /** Told where a finger goes down; gives what to do with where it comes up, or null. */
  canTake = () => null;

  /** Told by how many px the picture is pulled where there is nothing to place. */
  pulled = () => {};

  constructor({ stage, video, loupe, tell, changed }) {
    Object.assign(this, { stage, video, loupe, tell, changed });
    stage.addEventListener("pointerdown", (event) => this.#down(event));
  }

  get isAsking() { return this.#asked !== null; }

  /** Asks for a place; it may be passed over where that makes sense. */
  ask(text, placed, { canSkip = false, skipped = () => {}, keep = [] } = {}) {
    this.#asked = { text, placed, skipped };
    this.pending = keep;
    this.tell.hidden = false;
    this.tell.querySelector("[data-text]").textContent = text;
    this.tell.querySelector("[data-do=skip]").hidden = !canSkip;
    this.stage.dataset.placing = "yes";
    this.changed();
  }

  stop() {
    this.#asked = null;
    this.cross = null;
    this.pending = [];
    this.tell.hidden = true;
    delete this.stage.dataset.placing;
    this.changed();
  }

  skip() {
    const asked = this.#asked;
    this.stop();
    asked?.skipped();
  }

  /** Another frame is shown: what was asked belonged to the one before. */
  frame(number) { if (this.isAsking && number !== this.#step) this.stop(); this.#step = number; }

  #place(at) {
    const asked = this.#asked;
    const keys = this.cross;
    this.stop();
    this.cross = keys && { ...at };
    asked.placed(at);
    this.changed();
  }

  /** The arrows move a crosshair, Enter places it, Escape leaves. True where a key was used. */
  key(event) {
    if (!this.isAsking) return false;
    const by = { ArrowLeft: [-1, 0], ArrowRight: [1, 0], ArrowUp: [0, -1], ArrowDown: [0, 1] }[event.key];
    if (by) {
      this.cross ??= { x: Math.round(this.video.videoWidth / 2), y: Math.round(this.video.videoHeight / 2) };
      const far = event.shiftKey ? 10 : 1;
      this.cross = { x: Math.min(Math.max(0, this.cross.x + by[0] * far), this.video.videoWidth), y: Math.min(Math.max(0, this.cross.y + by[1] * far), this.video.videoHeight) };
      this.changed();
      return true;
    }
    if (event.key === "Enter" && this.cross) { this.#place(this.cross); return true; }
    if (event.key === "Escape") { this.stop(); return true; }
    if (event.key === "k") { this.skip(); return true; }
    return false;
  }

  // The place of the picture under a pointer, px of the picture.
  #at(event) {
    const box = this.video.getBoundingClientRect();
    const by = Math.min(box.width / this.video.videoWidth, box.height / this.video.videoHeight);
    const [left, top] = [box.left + (box.width - this.video.videoWidth * by) / 2, box.top + (box.height - this.video.videoHeight * by) / 2];
    const within = (v, most) => Math.round(Math.min(Math.max(0, v), most) * 10) / 10;
    return { at: { x: within((event.clientX - left) / by, this.video.videoWidth), y: within((event.clientY - top) / by, this.video.videoHeight) }, by };
  }

  #down(event) {
    if (!this.video.videoWidth || event.target.closest("button, label, input, a") || event.button > 0) return;
    const { at, by } = this.#at(event);
    this.#taken = this.isAsking ? (to) => this.#place(to) : this.canTake(at, REACH / by);
    if (!this.#taken) { this.#pull(event); return; }
    event.preventDefault();
    this.stage.setPointerCapture(event.pointerId);
    const move = (e) => this.#magnify(this.#at(e));
    move(event);
    const up = (e) => {
      this.stage.removeEventListener("pointermove", move);
      this.stage.removeEventListener("pointercancel", cancel);
      this.loupe.hidden = true;
      this.#taken?.(this.#at(e).at);
      this.#taken = null;
    };
    const cancel = () => { this.stage.removeEventListener("pointermove", move); this.stage.removeEventListener("pointerup", up); this.loupe.hidden = true; this.#taken = null; };
    this.stage.addEventListener("pointermove", move);
    this.stage.addEventListener("pointerup", up, { once: true });
    this.stage.addEventListener("pointercancel", cancel, { once: true });
  }

  #pull(event) {
    let [x, y] = [event.clientX, event.clientY];
    this.stage.setPointerCapture(event.pointerId);
    const move = (e) => { this.pulled(e.clientX - x, e.clientY - y); [x, y] = [e.clientX, e.clientY]; };
    this.stage.addEventListener("pointermove", move);
    for (const end of ["pointerup", "pointercancel"]) this.stage.addEventListener(end, () => this.stage.removeEventListener("pointermove", move), { once: true });
  }

  // What lies under the finger, larger and over it.
  #magnify({ at, by }) {
    const { loupe, stage, video } = this;
    const size = loupe.width;
    const seen = size / (ZOOM * by * (size / loupe.clientWidth || 1));
    loupe.hidden = false;
    const pen = loupe.getContext("2d");
    pen.fillStyle = "#14202B";
    pen.fillRect(0, 0, size, size);
    pen.drawImage(video, at.x - seen / 2, at.y - seen / 2, seen, seen, 0, 0, size, size);
    for (const [colour, wide] of [["#FFFFFF", 4], ["#C42F16", 2]]) {
      pen.strokeStyle = colour;
      pen.lineWidth = wide;
      pen.beginPath();
      pen.moveTo(size / 2, size * 0.3); pen.lineTo(size / 2, size * 0.7);
      pen.moveTo(size * 0.3, size / 2); pen.lineTo(size * 0.7, size / 2);
      pen.stroke();
    }
    const [box, own] = [stage.getBoundingClientRect(), video.getBoundingClientRect()];
    const x = own.left - box.left + at.x * by + (own.width - video.videoWidth * by) / 2;
    const y = own.top - box.top + at.y * by + (own.height - video.videoHeight * by) / 2;
    const wide = loupe.offsetWidth;
    loupe.style.left = `${Math.min(Math.max(0, x - wide / 2), box.width - wide)}px`;
    loupe.style.top = `${y - wide - 26 < 0 ? y + 26 : y - wide - 26}px`;
  }
}
