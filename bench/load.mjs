// Measures the running demo at the server: node bench/load.mjs [times]. Sends only to loopback.
const base = process.env.BASE ?? "http://127.0.0.1:5080";
const times = Math.min(Number(process.argv[2] ?? 40), 200);
const jar = new Map();

async function send(path, fields) {
  const answer = await fetch(base + path, {
    method: fields ? "POST" : "GET",
    redirect: "manual",
    headers: { cookie: [...jar].map(([k, v]) => `${k}=${v}`).join("; "), ...(fields ? { "content-type": "application/x-www-form-urlencoded", "HX-Request": fields.htmx ? "true" : "", Part: "live" } : {}) },
    body: fields && new URLSearchParams((fields instanceof URLSearchParams ? [...fields] : Object.entries(fields)).filter(([k]) => k !== "htmx")),
  });
  for (const cookie of answer.headers.getSetCookie()) {
    const [pair] = cookie.split(";");
    jar.set(pair.slice(0, pair.indexOf("=")), pair.slice(pair.indexOf("=") + 1));
  }
  return { status: answer.status, text: await answer.text() };
}

const token = async (path) => /form-token" content="([^"]+)"/.exec((await send(path)).text)[1];
await send("/SignIn?handler=Demo", { __RequestVerificationToken: await token("/SignIn") });
const session = process.env.SESSION ?? "49";
const form = await token(`/Sessions/${session}`);

async function measure(name, act) {
  const spent = [];
  let bytes = 0;
  for (let i = 0; i < times + 5; i += 1) {
    const begin = performance.now();
    const { status, text } = await act(i);
    if (status !== 200) throw new Error(`${name}: ${status}`);
    if (i >= 5) spent.push(performance.now() - begin);
    bytes = text.length;
  }
  spent.sort((a, b) => a - b);
  console.log(`${name.padEnd(22)} median ${spent[Math.floor(times / 2)].toFixed(1)} ms, 95% ${spent[Math.floor(times * 0.95)].toFixed(1)} ms, ${(bytes / 1024).toFixed(0)} kB before compression`);
}

for (const [name, path] of [["today", "/"], ["sessions", "/Sessions"], ["athletes", "/Athletes"], ["athlete", "/Athletes/1"], ["builder", `/Sessions/${session}`], ["drills", "/Drills"], ["reads a line", `/Sessions/${session}?handler=Reads&text=4+x+20+m`]]) {
  await measure(name, () => send(path));
}
// Trackside, when the session is running: the page, the part that devices fetch, and a save of a time with its answer.
const live = `/Sessions/${session}/Trackside`;
const page = (await send(live)).text;
const value = (name) => new RegExp(`name="${name}" value="([^"]*)"`).exec(page)?.[1];
if (value("athlete") && page.includes("data-marks")) {
  await measure("trackside", () => send(live));
  const line = /data-line="(\d+)"/.exec(page)[1];
  const athletes = [...page.matchAll(/data-athlete="(\d+)"/g)].map((m) => m[1]);
  const marks = (page.match(/name="mark"/g) ?? []).length;
  let rep = 1000;
  // From one device's save to the new picture on another: the wire's word, then the part fetched anew.
  const wire = (await fetch(`${base}/live/${session}`, { headers: { cookie: [...jar].map(([k, v]) => `${k}=${v}`).join("; ") } })).body.getReader();
  await wire.read();
  const told = [];
  for (let i = 0; i < 20; i += 1) {
    const begin = performance.now();
    const saved = send(`${live}?handler=Later`, { __RequestVerificationToken: form, athlete: athletes[i % athletes.length] });
    await wire.read();
    await send(live);
    told.push(performance.now() - begin);
    await saved;
  }
  await wire.cancel();
  told.sort((a, b) => a - b);
  console.log(`${"seen on another device".padEnd(22)} median ${told[10].toFixed(1)} ms, slowest ${told[19].toFixed(1)} ms`);
  await measure("save a time", (i) => {
    const fields = new URLSearchParams({ __RequestVerificationToken: form, client: crypto.randomUUID(), athlete: athletes[i % athletes.length], line, rep: String(rep -= 1), overrule: "true" });
    for (let m = 0; m < marks; m += 1) fields.append("mark", (3.3 + 1.12 * m).toFixed(2));
    return send(`${live}?handler=Save`, fields);
  });
}
await measure("builder edit", (i) => send(`/Sessions/${session}?handler=${i % 2 ? "Undo" : "Add"}`, { __RequestVerificationToken: form, text: "4 x 20 m rest 2:00", htmx: true }));
