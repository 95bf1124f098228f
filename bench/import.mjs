// How long a large sheet takes: node bench/import.mjs http://127.0.0.1:5091 [rows]. The application must be a running demo; what is read in is taken back at the end.
const base = process.argv[2] ?? "http://127.0.0.1:5080";
const rows = Number(process.argv[3] ?? 100000);
let cookies = {};
async function ask(path, options = {}) {
  const response = await fetch(base + path, { redirect: "manual", ...options, headers: { ...options.headers, cookie: Object.entries(cookies).map(([k, v]) => `${k}=${v}`).join("; ") } });
  for (const line of response.headers.getSetCookie()) {
    const [, name, value] = /^([^=]+)=([^;]*)/.exec(line);
    cookies[name] = value;
  }
  return { status: response.status, to: response.headers.get("location"), text: await response.text() };
}
const token = (html) => /name="form-token" content="([^"]+)"/.exec(html)?.[1];
const form = (fields) => ({ method: "POST", headers: { "content-type": "application/x-www-form-urlencoded" }, body: new URLSearchParams(fields) });
let page = await ask("/SignIn");
await ask("/SignIn?handler=Demo", form([["__RequestVerificationToken", token(page.text)]]));
const sheet = await ask("/Settings/Files?handler=Sheet&key=athletes");
const names = sheet.text.split("\r\n").slice(1).filter((l) => l.includes("Handball")).map((l) => l.split(",")[0]);
const lines = ["Name;Date;Distance;Time;Attempt"];
for (let i = 0; i < rows; i++) {
  const day = new Date(Date.UTC(2020, 0, 1 + (i % 300)));
  lines.push(`${names[i % names.length]};${day.toISOString().slice(0, 10)};30 m;${(4.2 + (i % 97) / 100).toFixed(2).replace(".", ",")};${1 + Math.floor(i / (300 * names.length))}`);
}
page = await ask("/Settings/Files");
const upload = new FormData();
upload.append("__RequestVerificationToken", token(page.text));
upload.append("kind", "times");
upload.append("file", new Blob([lines.join("\r\n")]), "large.csv");
let from = performance.now();
const looked = await ask("/Settings/Files?handler=Open", { method: "POST", body: upload });
console.log(`${rows} rows read and judged in ${((performance.now() - from) / 1000).toFixed(1)} s`);
const job = /name="job" value="([^"]+)"/.exec(looked.text)[1];
from = performance.now();
const store = await ask("/Settings/Files?handler=Store", form([["__RequestVerificationToken", token(looked.text)], ["job", job], ["kind", "times"], ["day", ""], ["shown", /name="shown" value="(\d+)"/.exec(looked.text)[1]], ...["athlete", "day", "distance", "seconds", "rep"].map((c) => ["column", c])]));
let state;
do {
  await new Promise((r) => setTimeout(r, 500));
  state = await ask(store.to);
} while (/<progress/.test(state.text));
console.log(`stored in ${((performance.now() - from) / 1000).toFixed(1)} s: ${/<h2>([^<]+)/.exec(/id="job"[\s\S]*?<\/section>/.exec(state.text)[0])[1]}`);
from = performance.now();
await ask("/Settings/Files?handler=Undo", form([["__RequestVerificationToken", token(state.text)], ["batch", /name="batch" value="(\d+)"/.exec(state.text)[1]]]));
console.log(`taken back in ${((performance.now() - from) / 1000).toFixed(1)} s`);
