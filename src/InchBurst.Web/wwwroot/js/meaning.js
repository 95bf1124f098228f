// What a time says while the server cannot be asked: the headline time, its speed, and the drop-off against today's best.
const text = (tag, className, words) => Object.assign(document.createElement(tag), { className, textContent: words });

/** Headline time in seconds of what was typed into a form's boxes, or null when the figures it needs are not there. */
export function headline(form, typed) {
  const { fromMark, toMark, mode } = form.dataset;
  if (!toMark) return null;
  const figures = typed.map((value) => (value.trim() === "" ? NaN : Number(value.trim().replace(",", "."))));
  let sum = 0;
  const at = mode === "ZoneOnly" ? [0, ...figures] : mode === "Segments" ? figures.map((f) => (sum += f)) : figures;
  const seconds = at[Number(toMark)] - (Number(fromMark) < 0 ? 0 : at[Number(fromMark)]);
  return seconds > 0 ? seconds : null;
}

/** The same figures as the server gives, but for the athlete's own best. */
export function panel(form, name, seconds, today) {
  const out = document.createDocumentFragment();
  const last = text("div", "t-last", "");
  const result = text("div", "t-result", "");
  result.append(text("span", "t-label", `${name}, ${form.dataset.label}`), text("b", "", seconds.toFixed(2)), " ", text("small", "", "s"));
  const [factor, unit] = form.dataset.speed.split(" ");
  const speed = text("div", "t-fig", "");
  speed.append(text("b", "", ((Number(form.dataset.metres) / seconds) * Number(factor)).toFixed(unit === "m/s" ? 2 : 1)), text("span", "", unit));
  last.append(result, speed);
  out.append(last);
  let stop = null;
  if (today.length > 0) {
    const best = Math.min(...today, seconds);
    const percent = (Math.round((best / seconds) * 1000) / 10).toFixed(1);
    const line = Math.round(Number(form.dataset.stop) * 1000) / 10;
    const share = text("div", "t-fig", "");
    const figure = text("b", "", percent);
    figure.append(text("small", "", "%"));
    share.append(figure, text("span", "", `of today's best ${best.toFixed(2)}`));
    last.append(share);
    // What clocks cannot tell apart is no drop: the server says from how many seconds on, by the reps of the day.
    const margins = (form.dataset.margins ?? "0").split(" ").map(Number);
    if (Number(percent) < line && seconds - best > margins[Math.min(today.length, margins.length) - 1]) {
      stop = `${percent}%, under the line`;
      out.append(text("p", "t-seen late", `Stop here: ${percent}%, under the ${line}% line`));
    }
  }
  return { out, stop };
}
