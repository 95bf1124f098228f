// How near the picture is looked at, and where: nearer, it follows the runner along what is marked, or is pulled along by hand.
const MOST = 4;

export class Look {
  #zoom = 1;
  #centre = null;

  constructor({ stage, inner, clip, marks }) { Object.assign(this, { stage, inner, clip, marks }); }

  /** Begins anew; on a phone the picture fills its frame, and what is beside it is reached by pulling. */
  begin(isNarrow) {
    this.#centre = null;
    this.#zoom = isNarrow ? Math.max(1, (this.stage.clientHeight * this.clip.width) / (this.stage.clientWidth * this.clip.height)) : 1;
  }

  nearer(by) {
    this.#zoom = Math.min(MOST, Math.max(1, this.#zoom * by));
    if (Math.abs(this.#zoom - 1) < 0.01) this.#zoom = 1;
  }

  /** Another frame is shown: where the runner is known it is followed again. */
  frame() { if (this.#runner()) this.#centre = null; }

  /** Pulled by so many px of the screen; false where there is nothing to pull. */
  pull(dx, dy) {
    if (this.#zoom === 1) return false;
    const by = this.#scale(this.stage) * this.#zoom;
    const at = this.#at();
    this.#centre = { x: Math.min(this.clip.width, Math.max(0, at.x - dx / by)), y: Math.min(this.clip.height, Math.max(0, at.y - dy / by)) };
    return true;
  }

  follow() {
    const { inner, clip } = this;
    if (this.#zoom === 1 || !clip.isOpen) { inner.style.transform = ""; return; }
    const [wide, high] = [inner.parentElement.clientWidth, inner.parentElement.clientHeight];
    const by = this.#scale(inner.parentElement);
    const at = this.#at();
    const [x, y] = [(wide - clip.width * by) / 2 + at.x * by, (high - clip.height * by) / 2 + at.y * by];
    const within = (to, room) => Math.min(0, Math.max(room - room * this.#zoom, room / 2 - to * this.#zoom));
    inner.style.transform = `translate(${within(x, wide)}px, ${within(y, high)}px) scale(${this.#zoom})`;
  }

  #scale(box) { return Math.min(box.clientWidth / this.clip.width, box.clientHeight / this.clip.height); }

  #at() { return this.#centre ?? this.#runner() ?? { x: this.clip.width / 2, y: this.clip.height * 0.6 }; }

  // Where the runner is on the frame that is shown, by what is marked before and after it.
  #runner() {
    const n = this.clip.shown;
    const known = new Map();
    for (const f of this.marks.now.feet) if (f.at) known.set(f.frame.number, { x: f.at.x, y: f.at.y - this.clip.height * 0.12 });
    for (const b of this.marks.now.bodies) if (b.joints.Hip) known.set(b.frame, b.joints.Hip);
    const all = [...known].sort((a, b) => a[0] - b[0]);
    if (all.length === 0) return null;
    const [before, after] = [all.filter(([f]) => f <= n).at(-1) ?? all[0], all.find(([f]) => f >= n) ?? all.at(-1)];
    if (before[0] === after[0]) return before[1];
    const share = (n - before[0]) / (after[0] - before[0]);
    return { x: before[1].x + (after[1].x - before[1].x) * share, y: before[1].y + (after[1].y - before[1].y) * share };
  }
}
