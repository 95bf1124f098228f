// Draws what a time says; what it says was worked out elsewhere.
const text = (tag, className, words) => Object.assign(document.createElement(tag), { className, textContent: words });

function figure(value, unit, words, className = "") {
  const out = text("div", `t-fig ${className}`.trim(), "");
  const number = text("b", "", value);
  if (unit) number.append(text("small", "", unit));
  out.append(number, text("span", "", words));
  return out;
}

/** What one time says, as the server draws it. */
export function panelOf(said) {
  const out = document.createDocumentFragment();
  const last = text("div", "t-last", "");
  const result = text("div", "t-result", "");
  result.append(text("span", "t-label", `${said.name}, ${said.label}`), text("b", "", said.seconds), " ", text("small", "", "s"));
  const speed = figure(said.speed, "", said.speedUnit);
  if (said.change) speed.append(text("span", "t-change", said.change));
  last.append(result, speed, said.share ? figure(said.share, "%", `${said.isBest ? "new best, was " : "of own best "}${said.best}`, said.isBest ? "best" : "") : figure("–", "", "first time over this"));
  out.append(last);
  if (said.dropOff) out.append(text("p", said.stop ? "t-seen late" : "t-seen", said.dropOff));
  return out;
}

/** Doubts about figures, as the server asks them: beside the boxes, with the one key that says they are right. */
export function showDoubts(form, doubts) {
  form.querySelector(".t-doubt")?.remove();
  const boxes = [...form.querySelectorAll("[data-mark]")];
  for (const doubt of doubts) {
    const box = boxes[doubt.index];
    box?.setAttribute("aria-invalid", "true");
    box?.closest(".t-gate").classList.add(doubt.isImpossible ? "bad" : "odd");
  }
  const out = text("div", "t-doubt", "");
  out.setAttribute("role", "alert");
  out.dataset.here = "";
  out.append(...doubts.map((d) => text("p", "", d.message)));
  if (doubts.every((d) => !d.isImpossible)) {
    const yes = Object.assign(text("button", "btn btn-dark", "It is right, save it "), { name: "overrule", value: "true" });
    yes.dataset.overrule = "";
    yes.dataset.partKey = "y";
    yes.append(text("kbd", "", "y"));
    out.append(yes);
  } else out.append(text("p", "small", "Nothing was stored. Change the figure and save again."));
  form.querySelector(".t-chips").before(out);
  const first = boxes[doubts[0].index];
  first?.focus({ preventScroll: true });
  first?.select();
  out.scrollIntoView({ block: "nearest" });
}
