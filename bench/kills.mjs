// Kills the server at random moments while two devices save, and looks whether anything acknowledged is missing, doubled or different. Usage: node bench/kills.mjs APP_FOLDER [kills]
// APP_FOLDER is the published application (.run/app after ./demo). Works in a folder of its own with made-up data; sends only to loopback.
import { spawn } from "node:child_process";
import { mkdtempSync, rmSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";

const folder = process.argv[2] ?? ".run/app";
const kills = Number(process.argv[3] ?? 200);
const port = 5600 + Math.floor(Math.random() * 300);
const base = `http://127.0.0.1:${port}`;
const data = mkdtempSync(join(tmpdir(), "inch-burst-kills-"));
const live = "/Sessions/49/Trackside";
const jar = new Map();
let server;

async function start() {
  server = spawn("dotnet", [join(folder, "InchBurst.Web.dll"), "--content", folder, "--demo", "--data", data, "--port", String(port)], { stdio: ["ignore", "pipe", "inherit"] });
  await new Promise((done, fail) => {
    server.stdout.on("data", (text) => { if (String(text).includes("is ready at")) done(); });
    server.on("exit", () => fail(new Error("The server did not start.")));
  });
  server.removeAllListeners("exit");
}

async function send(path, fields) {
  const answer = await fetch(base + path, { method: fields ? "POST" : "GET", redirect: "manual", headers: { cookie: [...jar].map(([k, v]) => `${k}=${v}`).join("; "), Part: "change" }, body: fields && new URLSearchParams(fields), signal: AbortSignal.timeout(8000) });
  for (const set of answer.headers.getSetCookie()) {
    const [pair] = set.split(";");
    jar.set(pair.slice(0, pair.indexOf("=")), pair.slice(pair.indexOf("=") + 1));
  }
  return { status: answer.status, text: await answer.text(), state: answer.headers.get("Entry-State") };
}

await start();
const token = async (path) => /form-token" content="([^"]+)"/.exec((await send(path)).text)[1];
await send("/SignIn?handler=Demo", { __RequestVerificationToken: await token("/SignIn") });
const form = await token("/Sessions/49");
const who = (await send(live)).text;
await send(`${live}?handler=Start`, [["__RequestVerificationToken", form], ...[...who.matchAll(/name="here" value="(\d+)"/g)].map((m) => ["here", m[1]])]);
const session = async () => JSON.parse((await send(`${live}?handler=Device`)).text);
const { state } = await session();
const places = /data-places="([^"]*)"/.exec((await send(live)).text)[1].split("|").map((p) => p.split(":")[0]);
let line;
for (const place of places) {
  const page = (await send(`${live}?handler=Line`, { __RequestVerificationToken: form, line: place, round: "1" })).text;
  if ((page.match(/name="mark"/g) ?? []).length === 2) { line = place; break; }
}
const athletes = state.people.filter((p) => p.present).map((p) => p.athleteId);

// A device as trackside has it: what is entered waits until the server says it has it, and is sent in order, again and again.
const sent = new Map();
let acknowledged = 0;
let again = 0;
let stop = false;
async function device(own) {
  for (let n = 0; !stop; n += 1) {
    const client = crypto.randomUUID();
    const seconds = (4.3 + ((n * 7) % 60) / 100).toFixed(2);
    const fields = [["__RequestVerificationToken", form], ["client", client], ["athlete", String(own[n % own.length])], ["line", line], ["rep", String(1 + Math.floor(n / own.length) % 999)], ["overrule", "true"], ["mark", "3.30"], ["mark", seconds], ["at", String(Date.now())]];
    sent.set(client, Number(seconds));
    for (let tries = 0; ; tries += 1) {
      const answer = await send(`${live}?handler=Save`, fields).catch(() => null);
      if (answer?.status === 200 && answer.state === "stored") break;
      if (answer && answer.status < 500) throw new Error(`The server said ${answer.status} ${answer.state}.`);
      again += 1;
      await new Promise((done) => setTimeout(done, 20));
    }
    acknowledged += 1;
  }
}
const half = Math.ceil(athletes.length / 2);
const devices = [device(athletes.slice(0, half)), device(athletes.slice(half))];
let inFlight = 0;
for (let k = 0; k < kills; k += 1) {
  await new Promise((done) => setTimeout(done, 100 + Math.random() * 2400));
  const before = acknowledged;
  const gone = new Promise((done) => server.once("exit", done));
  server.kill("SIGKILL");
  await gone;
  inFlight += sent.size - before;
  await start();
}
stop = true;
await Promise.all(devices);
const runs = (await session()).state.runs;
const found = new Map();
for (const run of runs) for (const id of new Set([run.id, ...(run.readings ?? []).map((r) => r.id)])) found.set(id, [...(found.get(id) ?? []), run]);
let missing = 0;
let doubled = 0;
let different = 0;
for (const [client, seconds] of sent) {
  const there = found.get(client) ?? [];
  if (there.length === 0) missing += 1;
  if (there.length > 1) doubled += 1;
  if (there.length === 1 && there[0].id === client && !(there[0].readings?.length > 0) && !there[0].what.marks.some((m) => Math.abs(m.seconds - seconds) < 0.001)) different += 1;
}
console.log(`${kills} kills while two devices saved ${sent.size} times (${again} sendings in vain, ${inFlight} under way at a kill): ${missing} missing, ${doubled} doubled, ${different} different; ${runs.length} runs in the book`);
server.kill("SIGKILL");
rmSync(data, { recursive: true });
process.exit(missing + doubled + different === 0 ? 0 : 1);
