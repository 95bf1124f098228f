// Gates that fail against a server that runs: simulated gates report to a session of the demo at up to fifty times real time, and what was stored is held
// against what really happened. Usage: node bench/gates.mjs [seeds] [runs] [seconds between runs] [first seed], with BASE as the server's address.
// Sends only to loopback; ends with 1 where a run was lost, doubled or silently wrong.
import { spawnSync } from "node:child_process";
import { mkdtempSync, writeFileSync, appendFileSync, readFileSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";

const base = process.env.BASE ?? "http://127.0.0.1:5080";
const [seeds, runs, every, from] = [10, 2000, 2.5, 1].map((usual, i) => Number(process.argv[2 + i] ?? usual));
const box = new URL("../src/InchBurst.GateBox/bin/Release/net10.0/InchBurst.GateBox.dll", import.meta.url).pathname;
const jar = new Map();
async function send(path, fields) {
  const answer = await fetch(base + path, { method: fields ? "POST" : "GET", redirect: "manual", headers: { connection: "close", cookie: [...jar].map(([k, v]) => `${k}=${v}`).join("; ") }, body: fields && new URLSearchParams(fields) });
  for (const set of answer.headers.getSetCookie()) {
    const [pair] = set.split(";");
    jar.set(pair.slice(0, pair.indexOf("=")), pair.slice(pair.indexOf("=") + 1));
  }
  return answer.text();
}

const token = async (path) => /form-token" content="([^"]+)"/.exec(await send(path))[1];
await send("/SignIn?handler=Demo", { __RequestVerificationToken: await token("/SignIn") });
const session = process.env.SESSION ?? "49";
const form = await token(`/Sessions/${session}`);
const live = `/Sessions/${session}/Trackside`;
const page = await send(live);
if (page.includes('name="here"')) await send(`${live}?handler=Start`, [["__RequestVerificationToken", form], ...[...page.matchAll(/name="here" value="(\d+)"/g)].map((m) => ["here", m[1]])]);
const key = /id="device-key"[^>]*value="([^"]+)"/.exec(await send("/Settings?handler=Device", { __RequestVerificationToken: await token("/Settings"), name: `Bench ${Date.now() % 100000}` }))[1];
const gates = "0,10,20,30";
const folder = mkdtempSync(join(tmpdir(), "gates-"));
const truth = join(folder, "truth.jsonl");
writeFileSync(truth, "");
const began = Date.now();
for (let seed = from; seed < from + seeds; seed += 1) {
  const own = join(folder, `${seed}.jsonl`);
  const done = spawnSync("dotnet", [box, "--to", base, "--session", session, "--token", key, "--gates", gates, "--runs", String(runs), "--every", String(every), "--speed", "50", "--seed", String(seed), "--faults", "all", "--truth", own], { encoding: "utf8", maxBuffer: 1 << 28 });
  if (done.status !== 0) throw new Error(done.stderr.slice(-400));
  appendFileSync(truth, readFileSync(own));
  console.log(`seed ${seed}: ${done.stdout.trim().split("\n").at(-1)} ${(done.stderr.match(/cannot be trusted/g) ?? []).length} refused with a reason, ${Math.round((Date.now() - began) / 1000)} s`);
}

const club = join(folder, "club.json");
writeFileSync(club, await send("/Settings/Files?handler=Club"));
const verdict = spawnSync("dotnet", [box, "--check", club, "--session", session, "--truth", truth, "--gates", gates], { encoding: "utf8" });
console.log(verdict.stdout.trim() + verdict.stderr);
process.exit(verdict.status ?? 1);
