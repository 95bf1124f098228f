// A body posed by its joints: by pointer or keys. What a joint does is worked out where the rules are; here it is taken hold of and shown.
const root = document.querySelector("[data-pose-desk]");
const SVG = "http://www.w3.org/2000/svg";
const REACH = 34;
const BIG = 5;

let rows = [];
let at = 0;
let now = null;
let undone = [];
let held = null;
let focused = null;
let isAsking = false;
let next = null;
let aim = null;
let turning = null;

const find = (css) => root.querySelector(css);
const handles = find("[data-handles]");
const svg = find("svg");
const own = document.querySelector("[data-own]");
const store = find("textarea");
const field = (name) => find(`[data-pose=${name}]`);

const show = (text) => { find("[data-trouble]").textContent = text; find("[data-trouble]").hidden = text === ""; };

function keep() {
  store.value = rows.map((row) => row.pose).join("\n");
  own.hidden = rows.length === 0;
  if (rows[0]?.thumb) own.querySelector("img").src = rows[0].thumb;
}

// One question at a time, the latest one of those that came meanwhile next.
async function ask(change, then = () => {}) {
  if (isAsking) { next = [change, then]; return; }
  isAsking = true;
  root.dataset.asking = "";
  try {
    const { pose, ...more } = change();
    const query = new URLSearchParams({ pose, kind: document.getElementById("Input_Kind").value, ...more });
    const answer = await fetch(`${root.dataset.poseDesk}&${query}`);
    if (!answer.ok || answer.redirected) throw new Error(answer.statusText);
    const desk = await answer.json();
    show("");
    then(desk);
    now = desk;
    rows[at] = { pose: desk.pose, thumb: desk.thumb, name: desk.name };
    keep();
    draw();
  } catch {
    show("The position could not be drawn just now. What you posed is still here; try again.");
  } finally {
    isAsking = false;
    if (!next) { aim = null; delete root.dataset.asking; }
    if (next) { const [waiting, after] = next; next = null; ask(waiting, after); }
  }
}

const remember = () => { turning = null; if (now) undone = [...undone.slice(-49), { at, pose: rows[at].pose }]; };

function change(more, isStep = true) {
  turning = null;
  if (isStep) remember();
  ask(() => ({ pose: rows[at].pose, ...more }));
}

function draw() {
  find(".pose-stage").hidden = rows.length === 0;
  find("[data-act=drop]").hidden = rows.length === 0;
  find("[data-act=undo]").disabled = undone.length === 0;
  const add = find("[data-act=add]");
  add.textContent = rows.length === 0 ? "Pose it yourself" : "One more position from this one";
  add.disabled = rows.length >= Number(root.dataset.most);
  find("[data-positions]").replaceChildren(...rows.map((row, i) => {
    const item = document.createElement("li");
    const button = document.createElement("button");
    const picture = document.createElement("img");
    Object.assign(button, { type: "button", className: "pose-pick" });
    button.dataset.position = i;
    button.setAttribute("aria-pressed", String(i === at));
    picture.alt = "";
    if (row.thumb) picture.src = row.thumb;
    button.append(picture, `${i + 1}  ${row.name}`);
    item.append(button);
    return item;
  }));
  if (!now) return;
  find("[data-body]").innerHTML = now.drawn;
  for (const [name, value] of [["name", now.name], ["on", now.on]]) if (document.activeElement !== field(name)) field(name).value = value;
  field("rounded").checked = now.isRounded;
  now.handles.forEach((handle, i) => {
    let dot = handles.children[i];
    if (!dot) {
      dot = handles.appendChild(document.createElementNS(SVG, "circle"));
      dot.setAttribute("r", 7);
      dot.setAttribute("role", "slider");
      dot.setAttribute("tabindex", "0");
    }
    dot.dataset.joint = handle.joint;
    dot.setAttribute("class", `pose-dot${handle.isFar ? " far" : ""}${held?.joint === handle.joint ? " held" : ""}`);
    for (const [name, value] of Object.entries({ cx: handle.x, cy: handle.y, "aria-label": handle.name, "aria-valuenow": handle.stands, "aria-valuemin": handle.least, "aria-valuemax": handle.most, "aria-valuetext": handle.says })) dot.setAttribute(name, value);
  });
  tell(held?.joint ?? focused);
}

function tell(joint) {
  const handle = now?.handles.find((h) => h.joint === joint);
  find("[data-says]").textContent = handle ? `${handle.name}: ${handle.says}` : "";
}

const place = (event) => {
  const box = svg.getBoundingClientRect();
  const scale = svg.viewBox.baseVal.width / box.width;
  return { x: (event.clientX - box.left) * scale, y: (event.clientY - box.top) * scale, scale };
};

svg.addEventListener("pointerdown", (event) => {
  if (!now || event.button !== 0) return;
  const { x, y, scale } = place(event);
  // The nearest of them, so that what lies close together can be told apart by a finger too; nearer parts go first where they lie over each other.
  const near = now.handles.map((h) => ({ ...h, far: Math.hypot(h.x - x, h.y - y) - (h.isFar ? 0 : 1) })).filter((h) => h.far < REACH * Math.max(1, scale)).sort((a, b) => a.far - b.far)[0];
  if (!near) return;
  event.preventDefault();
  held = { joint: near.joint, dx: near.x - x, dy: near.y - y };
  svg.setPointerCapture(event.pointerId);
  handles.querySelector(`[data-joint="${near.joint}"]`).focus({ preventScroll: true });
  draw();
});
svg.addEventListener("pointermove", (event) => {
  if (!held) return;
  const { x, y } = place(event);
  change({ joint: held.joint, x: x + held.dx, y: y + held.dy }, !held.isMoved);
  held.isMoved = true;
});
const drop = () => { held = null; draw(); };
svg.addEventListener("pointerup", drop);
svg.addEventListener("pointercancel", drop);

handles.addEventListener("focusin", (event) => { focused = Number(event.target.dataset.joint); tell(focused); });
handles.addEventListener("keydown", (event) => {
  const way = { ArrowUp: 1, ArrowRight: 1, ArrowDown: -1, ArrowLeft: -1 }[event.key];
  if (!way) return;
  event.preventDefault();
  const joint = focused;
  const handle = now.handles.find((h) => h.joint === joint);
  const by = way * handle.step * (event.shiftKey ? BIG : 1);
  // Keys that come faster than answers add up.
  const to = Math.min(handle.most, Math.max(handle.least, (aim?.joint === joint ? aim.to : handle.stands) + by));
  aim = { joint, to };
  // Turned by keys one after another is turned once.
  const isStep = turning !== joint;
  change({ joint, to }, isStep);
  turning = joint;
});

function undo() {
  const last = undone.pop();
  if (!last) return;
  turning = null;
  at = Math.min(last.at, rows.length - 1);
  ask(() => ({ pose: last.pose }));
}

function choose(position) {
  at = position;
  ask(() => ({ pose: rows[at].pose }));
}

function add() {
  const wall = document.querySelector("[name='Input.Pose']:checked");
  const from = now?.pose ?? (wall?.dataset.view === "side" ? wall.value : "stand");
  // It is there from when it is drawn.
  ask(() => ({ pose: from, name: rows.length > 0 ? `position ${rows.length + 1}` : "own position" }), () => {
    at = rows.length;
    own.hidden = false;
    own.querySelector("input").checked = true;
  });
}

function take() {
  rows.splice(at, 1);
  undone = [];
  at = Math.max(0, at - 1);
  keep();
  if (rows.length > 0) { choose(at); return; }
  now = null;
  document.querySelector("[name='Input.Pose'][value='']").checked = true;
  draw();
}

root?.addEventListener("click", (event) => {
  const button = event.target.closest("button");
  if (!button) return;
  if (button.dataset.position !== undefined) choose(Number(button.dataset.position));
  else if (button.dataset.act === "undo") undo();
  else if (button.dataset.act === "mirror") change({ isMirrored: true });
  else if (button.dataset.act === "add") add();
  else if (button.dataset.act === "drop" && window.confirm("Take this position out?")) take();
});
root?.addEventListener("change", (event) => {
  const name = event.target.dataset.pose;
  if (name === "name") change({ name: event.target.value });
  if (name === "on") change({ on: event.target.value });
  if (name === "rounded") change({ isRounded: event.target.checked });
});

if (root) {
  root.hidden = false;
  rows = store.value.split("\n").filter((row) => row.trim() !== "").map((pose) => ({ pose: pose.trim(), thumb: null, name: pose.split("/").at(-1).trim() }));
  // Enter in the name is not the whole form's.
  field("name").addEventListener("keydown", (event) => { if (event.key === "Enter") { event.preventDefault(); event.target.blur(); } });
  (async () => {
    for (let i = rows.length - 1; i >= 0; i -= 1) { at = i; await ask(() => ({ pose: rows[at].pose })); }
    if (rows.length === 0) draw();
  })();
}
