// What another device or this one did, told without a picture: Core takes it in and draws from it.
import * as core from "./core.js";
import { isDirty } from "./entry.js";
import { here, view, who } from "./here.js";
import { keep } from "./kept.js";
import { footOf, lastOf, latestOf } from "./panel.js";
import { lineUp, live } from "./queue.js";
import { fallBehind, goOn, holdWord, isOlder, parse, picture, refresh, tick } from "./screen.js";

const GAP = 400;
const KEEP = 1000;
// Changes that came before the one they follow.
const ahead = new Map();
let gap;
let keeping;

const keepPicture = () => { const html = picture(); return keep(html, parse(html)); };

/** Takes in what changed. Changes follow each other; where one is missing, the picture is fetched. What was done here is kept on the device when this ends. */
export async function takeIn(news, own = false, said = null, back = null) {
  const root = live();
  if (!root) return;
  let isNew = false;
  if (news.from === root.dataset.stamp) {
    for (let next = news; next; next = ahead.get(root.dataset.stamp)) {
      ahead.delete(next.from);
      core.change(next.change);
      root.dataset.stamp = next.to;
      isNew = true;
    }
  } else if (news.to !== root.dataset.stamp && !isOlder(news.to, root.dataset.stamp)) {
    ahead.set(news.from, news);
    clearTimeout(gap);
    gap = setTimeout(() => { if (ahead.size > 0) { ahead.clear(); refresh(); } }, GAP);
    return;
  }
  if (!isNew && !own) return;
  fallBehind();
  const seen = view();
  if (!lineUp(seen)) { await refresh(); return; }
  drawLast(seen, own, said, back);
  tick();
  goOn();
  clearTimeout(keeping);
  if (own) await keepPicture();
  else keeping = setTimeout(keepPicture, KEEP);
}

function drawLast(seen, own, said, back) {
  const root = live();
  const panel = document.getElementById("t-last");
  const form = root.querySelector("[data-marks]");
  // What is said of figures that are still typed stays; of those that are saved nothing is left to say.
  const typing = form && isDirty(form) ? panel?.querySelector(".t-typing") : null;
  panel?.classList.toggle("is-typing", Boolean(typing));
  panel?.replaceChildren(...(typing ? [typing] : []), ...(seen.last ? [lastOf(seen.last, root.dataset.url)] : []));
  const list = root.querySelector("[data-latest]");
  if (list) {
    list.replaceChildren(...latestOf(seen.latest, JSON.parse(list.dataset.latest), root.dataset.url));
    list.closest("details").hidden = seen.latest.length === 0;
  }
  // A word about what was just done here is not wiped away by what others do.
  if (!own && Date.now() < here.footUntil) return;
  document.getElementById("t-word")?.replaceChildren(footOf(seen.last, root.dataset.url, who(), Boolean(root.querySelector("[data-counts]:not([hidden])")), said, back));
  holdWord(Boolean(said));
}
