// One session, many screens: what a save costs the server while others watch. Usage: node bench/crowd.mjs [screens] [saves a second] [seconds]
// Sends only to loopback; prints processor time a save, how long saves take, and how long until every other screen has the run.
import { readFileSync } from "node:fs";
import { execSync } from "node:child_process";

const base = process.env.BASE ?? "http://127.0.0.1:5080";
const screens = Number(process.argv[2] ?? 40);
const rate = Number(process.argv[3] ?? 20);
const seconds = Number(process.argv[4] ?? 10);
const jar = new Map();
const cookie = () => [...jar].map(([k, v]) => `${k}=${v}`).join("; ");

async function send(path, fields, part) {
  const answer = await fetch(base + path, { method: fields ? "POST" : "GET", redirect: "manual", headers: { cookie: cookie(), ...(part ? { Part: part } : {}) }, body: fields && new URLSearchParams(fields) });
  for (const set of answer.headers.getSetCookie()) {
    const [pair] = set.split(";");
    jar.set(pair.slice(0, pair.indexOf("=")), pair.slice(pair.indexOf("=") + 1));
  }
  return { status: answer.status, text: await answer.text(), state: answer.headers.get("Entry-State") };
}

// The server on that port: told by its own command line, or the only one without a port of its own.
const { port } = new URL(base);
const pid = execSync('pgrep -f "[I]nchBurst.Web.dll"').toString().trim().split("\n").find((p) => {
  const said = readFileSync(`/proc/${p}/cmdline`, "utf8").split("\0");
  return (said[said.indexOf("--port") + 1] === port && said.includes("--port")) || (!said.includes("--port") && port === "5080");
});
// User and system time of the server, in hundredths of a second.
const spent = () => { const at = readFileSync(`/proc/${pid}/stat`, "utf8").split(") ")[1].split(" "); return (Number(at[11]) + Number(at[12])) * 10; };
const memory = () => Math.round(Number(/VmRSS:\s+(\d+)/.exec(readFileSync(`/proc/${pid}/status`, "utf8"))[1]) / 1024);
const at = (sorted, share) => (sorted.length === 0 ? "–" : `${sorted[Math.min(sorted.length - 1, Math.floor(sorted.length * share))].toFixed(0)} ms`);

const token = async (path) => /form-token" content="([^"]+)"/.exec((await send(path)).text)[1];
await send("/SignIn?handler=Demo", { __RequestVerificationToken: await token("/SignIn") });
const session = process.env.SESSION ?? "49";
const form = await token(`/Sessions/${session}`);
const live = `/Sessions/${session}/Trackside`;
const who = (await send(live)).text;
if (who.includes('name="here"')) await send(`${live}?handler=Start`, [["__RequestVerificationToken", form], ...[...who.matchAll(/name="here" value="(\d+)"/g)].map((m) => ["here", m[1]])]);
// The first line with times.
let page = "";
let marks = 0;
for (const [, number] of [...(await send(live)).text.matchAll(/data-places="([^"]*)"/g)][0][1].split("|").map((p) => [p, ...p.split(":")])) {
  page = (await send(`${live}?handler=Line`, { __RequestVerificationToken: form, line: number, round: "1" }, "live")).text;
  marks = (page.match(/name="mark"/g) ?? []).length;
  if (marks > 0) break;
}
if (marks === 0) throw new Error("The session needs a line with times that somebody has still to run.");
const line = /data-line="(\d+)"/.exec(page)[1];
const athletes = [...page.matchAll(/data-athlete="(\d+)"/g)].map((m) => m[1]);

// A screen hears what changed; what it cannot take in as a change it fetches, as the page does.
let bytes = 0;
let fetched = 0;
// When each run was sent, and when the screens heard of it.
const sentAt = new Map();
const heardAt = new Map();
const RUNS = /"id":"([0-9a-f-]{36})","number":/g;
const opened = [];
for (let i = 0; i < screens; i += 1) {
  const answer = await fetch(`${base}/live/${session}`, { headers: { cookie: cookie() } });
  const reader = answer.body.getReader();
  const decode = new TextDecoder();
  opened.push(reader);
  let busy = false;
  let again = false;
  const look = async () => {
    if (busy) { again = true; return; }
    busy = true;
    do {
      again = false;
      bytes += (await send(live, undefined, "live")).text.length;
      fetched += 1;
    } while (again);
    busy = false;
  };
  let first = true;
  let rest = "";
  (async () => {
    for (;;) {
      const { value, done } = await reader.read().catch(() => ({ done: true }));
      if (done) return;
      bytes += value.length;
      const events = (rest + decode.decode(value, { stream: true })).split("\n\n");
      rest = events.pop();
      for (const event of events.filter((e) => /event: (changed|change)/.test(e))) {
        if (first) { first = false; continue; }
        const now = performance.now();
        if (event.includes("event: changed")) { await look(); continue; }
        for (const [, run] of event.matchAll(RUNS)) {
          const heard = heardAt.get(run);
          if (heard) heard.push(now); else heardAt.set(run, [now]);
        }
      }
    }
  })();
}

let rep = 1000;
const made = new Set();
const save = async (i) => {
  const client = crypto.randomUUID();
  const fields = [["__RequestVerificationToken", form], ["client", client], ["athlete", athletes[i % athletes.length]], ["line", line], ["rep", String(rep -= 1)], ["overrule", "true"]];
  for (let m = 0; m < marks; m += 1) fields.push(["mark", (3.3 + 1.12 * m + (i % 7) / 100).toFixed(2)]);
  const sent = performance.now();
  const answer = await send(`${live}?handler=Save`, fields, process.env.PART ?? "change");
  if (answer.text.startsWith("{")) {
    const { number } = JSON.parse(answer.text).news.change.runs[0];
    made.add(number);
    sentAt.set(client, sent);
  }
  return answer;
};
const settle = () => new Promise((done) => setTimeout(done, 1500));

// Long enough for the server to have translated what it runs often.
for (let i = 0; i < 200; i += 1) await save(i);
await settle();

// One after the other: what a save costs, the others' pictures included.
let before = spent();
[bytes, fetched] = [0, 0];
const one = 40;
for (let i = 0; i < one; i += 1) { await save(i); await new Promise((done) => setTimeout(done, 100)); }
await settle();
console.log(`${screens} screens, one save at a time: ${((spent() - before) / one).toFixed(1)} ms of processor time a save, ${(bytes / one / screens / 1024).toFixed(2)} kB to each screen a save, ${fetched} pictures fetched anew`);

// As many a second as asked, whether the server keeps up or not.
before = spent();
sentAt.clear();
heardAt.clear();
[bytes, fetched] = [0, 0];
const took = [];
const work = [];
let failed = 0;
const begin = performance.now();
for (let i = 0; i < rate * seconds; i += 1) {
  const due = begin + (i * 1000) / rate;
  const wait = due - performance.now();
  if (wait > 0) await new Promise((done) => setTimeout(done, wait));
  work.push(save(i).then((a) => { if (a.status !== 200 || a.state !== "stored") failed += 1; took.push(performance.now() - due); }));
}
await Promise.all(work);
const whole = (performance.now() - begin) / 1000;
await settle();
took.sort((a, b) => a - b);
console.log(`${rate} saves a second wanted for ${seconds} s: ${(took.length / whole).toFixed(1)} a second done, ${failed} failed, median ${at(took, 0.5)}, 95% ${at(took, 0.95)}, slowest ${at(took, 1)}; ${((spent() - before) / took.length).toFixed(1)} ms of processor time a save, ${fetched} pictures fetched anew; memory ${memory()} MB`);
const heard = [...sentAt].flatMap(([run, sent]) => (heardAt.get(run) ?? []).map((at) => at - sent)).sort((a, b) => a - b);
console.log(`from a save to every other screen: ${heard.length} of ${sentAt.size * screens} events, median ${at(heard, 0.5)}, 95% ${at(heard, 0.95)}, slowest ${at(heard, 1)}`);
for (const run of made) await send(`${live}?handler=Undo`, { __RequestVerificationToken: form, run: String(run) }, "change");
for (const reader of opened) await reader.cancel().catch(() => {});
process.exit(0);
