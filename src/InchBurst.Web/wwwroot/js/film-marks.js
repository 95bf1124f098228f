// What is marked on a clip: changed, taken back, and kept on the device until it is saved. What it means is Core's.

const empty = { feet: [], lines: [], scales: [], bodies: [], cameraMetres: null, besideMetres: 0 };

export class Marks {
  #back = [];
  #key = "";

  /** Told when anything was changed. */
  onchange = () => {};

  now = structuredClone(empty);

  /** What the draft of these marks is kept under. */
  get key() { return this.#key; }

  get canUndo() { return this.#back.length > 0; }
  get isEmpty() { const { feet, lines, scales, bodies } = this.now; return feet.length + lines.length + scales.length + bodies.length === 0; }

  /** Begins on a clip, with what was left on this device or kept before. */
  begin(clip, speed, kept, key) {
    this.#key = key;
    let left = null;
    try { left = JSON.parse(localStorage.getItem(key)); } catch { /* nothing was left */ }
    const from = left ?? kept;
    this.now = { ...structuredClone(empty), ...(from ?? {}), clip: { ...clip, shotRate: from?.clip.shotRate ?? clip.shotRate ?? null }, speed };
    this.#back = [];
    this.onchange();
    return left !== null;
  }

  /** Changes what is marked; it can be taken back. */
  change(act) {
    this.#back.push(JSON.stringify(this.now));
    act(this.now);
    this.#keep();
  }

  undo() {
    if (!this.canUndo) return;
    this.now = JSON.parse(this.#back.pop());
    this.#keep();
  }

  #keep() {
    try { localStorage.setItem(this.#key, JSON.stringify(this.now)); } catch (error) { console.warn("Marks are kept on this page alone:", error.message); }
    this.onchange();
  }

  /** Marks a foot touching or leaving on a frame; the same again takes it away. */
  foot(frame, foot, isDown) {
    this.change((all) => {
      const there = all.feet.findIndex((f) => f.frame.number === frame.number && f.isDown === isDown);
      if (there >= 0) all.feet.splice(there, 1); else all.feet.push({ frame, foot, isDown, at: null });
    });
  }

  /** Gives a foot on a frame to the other side. */
  turn(number) {
    this.change((all) => { for (const f of all.feet) if (f.frame.number === number) f.foot = f.foot === "Left" ? "Right" : "Left"; });
  }

  landingOn(number) { return this.now.feet.find((f) => f.isDown && f.frame.number === number); }

  /** Says where the tip of the foot that lands on a frame stands. */
  stand(number, at) { if (this.landingOn(number)) this.change(() => { this.landingOn(number).at = at; }); }

  bodyOn(number) { return this.now.bodies.find((b) => b.frame === number); }

  joint(number, name, at, phase, moment) {
    this.change((all) => {
      let body = all.bodies.find((b) => b.frame === number);
      if (!body) all.bodies.push(body = { frame: number, phase, moment, joints: {} });
      if (at) body.joints[name] = at; else delete body.joints[name];
      if (Object.keys(body.joints).length === 0) all.bodies.splice(all.bodies.indexOf(body), 1);
    });
  }

  judge(number, phase, moment) {
    this.change(() => { Object.assign(this.bodyOn(number), { phase, moment }); });
  }

  scale(number, from, to, metres) {
    this.change((all) => {
      all.scales = all.scales.filter((s) => s.frame !== number);
      all.scales.push({ frame: number, from, to, metres });
    });
  }

  line(frame, at) {
    this.change((all) => {
      all.lines = all.lines.filter((l) => l.frame.number !== frame.number);
      if (at) all.lines.push({ frame, at });
    });
  }
}
