// What is asked of a frame: the tip of a foot, joint after joint, the two ends of a known length, the metres of a line.
export function asking({ root, clip, marks, placing, joints: JOINTS, judged, say, wrong }) {
  const find = (css) => root.querySelector(css);

  function askTip() {
    const frame = clip.frame;
    placing.ask("Tap the tip of the foot on the ground", (at) => marks.stand(frame, at), { canSkip: true });
  }

  function askJoint(from = null) {
    if (!clip.isOpen) return;
    const frame = clip.frame;
    const joints = marks.bodyOn(frame)?.joints ?? {};
    const index = from ?? JOINTS.findIndex((j) => !joints[j.name]);
    const joint = JOINTS[index];
    if (!joint) { placing.stop(); say("All joints are marked. Drag one to put it right."); return; }
    const next = () => { if (clip.frame === frame) askJoint(JOINTS.findIndex((j, i) => i > index && !marks.bodyOn(frame)?.joints[j.name]) >= 0 ? JOINTS.findIndex((j, i) => i > index && !marks.bodyOn(frame)?.joints[j.name]) : JOINTS.length); };
    placing.ask(`${joint.says} (${index + 1} of ${JOINTS.length})`, (at) => { marks.joint(frame, joint.name, at, ...judged()); next(); }, { canSkip: true, skipped: next });
  }

  function askScale() {
    if (!clip.isOpen) return;
    const frame = clip.frame;
    const before = marks.now.scales[0];
    placing.ask("Scale: tap one of two things on the lane", (from) => {
      placing.ask("Now the other", (to) => {
        placing.pending = [from, to];
        const metres = before ? before.metres : Number(find("[data-scale-metres]").value.replace(",", "."));
        if (!(metres > 0 && metres <= 1000)) { wrong("scale", "How far apart are they? In metres, such as 2."); find("[data-scale-metres]").focus(); waiting = { frame, from, to }; return; }
        setScale(frame, from, to, metres);
      }, { keep: [from] });
    });
  }

  let waiting = null;
  function setScale(frame, from, to, metres) {
    if (Math.hypot(from.x - to.x, from.y - to.y) < 2) { wrong("scale", "The two marks lie on each other. Mark them again."); placing.stop(); return; }
    wrong("scale", "");
    waiting = null;
    placing.stop();
    marks.scale(frame, from, to, metres);
  }

  function addLine() {
    if (!clip.isOpen) return;
    const field = find("[data-line]");
    const read = /^\s*(\d+(?:[.,]\d+)?)\s*(m|yd|y|ft)?\s*$/i.exec(field.value);
    if (!read) { wrong("line", "Which line is it? Such as 10 or 10 yd."); field.focus(); return; }
    wrong("line", "");
    const unit = { y: "Yard", yd: "Yard", ft: "Foot" }[(read[2] ?? root.dataset.unit).toLowerCase()] ?? "Metre";
    marks.line(clip.at(), { amount: Number(read[1].replace(",", ".")), unit });
    field.value = "";
  }

  find("[data-scale-metres]").addEventListener("change", (event) => {
    const metres = Number(event.target.value.replace(",", "."));
    if (!(metres > 0 && metres <= 1000)) { wrong("scale", "In metres, such as 2."); return; }
    wrong("scale", "");
    if (waiting) setScale(waiting.frame, waiting.from, waiting.to, metres);
    else if (marks.now.scales.length > 0) marks.change((now) => { for (const s of now.scales) s.metres = metres; });
  });
  find("[data-line]").addEventListener("keydown", (event) => { if (event.key === "Enter") { event.preventDefault(); addLine(); } });

  return { askTip, askJoint, askScale, addLine, forget: () => { waiting = null; } };
}
