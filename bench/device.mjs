// Core on the device as a published program brings it: bytes and milliseconds of a first visit to trackside and of one after. BASE=… node bench/device.mjs [visits]
import { spawn } from "node:child_process";
import { mkdtempSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";

const base = process.env.BASE ?? "http://127.0.0.1:5080";
const session = process.env.SESSION ?? "49";
const visits = Number(process.argv[2] ?? 5);
const wait = (ms) => new Promise((done) => { setTimeout(done, ms); });

async function visit(port) {
  const driver = spawn("chromedriver", [`--port=${port}`, "--log-level=OFF"], { stdio: "ignore" });
  const call = async (path, body) => {
    for (let i = 0; ; i += 1) {
      try {
        const { value } = await (await fetch(`http://127.0.0.1:${port}${path}`, { method: "POST", body: JSON.stringify(body ?? {}) })).json();
        if (value?.error) throw new Error(`${value.error}: ${value.message}`);
        return value;
      } catch (error) {
        if (error.cause?.code !== "ECONNREFUSED" || i > 60) throw error;
        await wait(100);
      }
    }
  };
  const args = ["--headless", "--no-sandbox", "--disable-gpu", "--disable-quic", "--no-first-run", "--disable-background-networking", "--disable-component-update", "--disable-sync", `--user-data-dir=${mkdtempSync(join(tmpdir(), "device-"))}`];
  const s = `/session/${(await call("/session", { capabilities: { alwaysMatch: { "goog:chromeOptions": { args } } } })).sessionId}`;
  const ask = async (script) => call(`${s}/execute/sync`, { script, args: [] });
  try {
    await call(`${s}/url`, { url: `${base}/SignIn` });
    await ask("document.querySelector('#enter-demo').click()");
    for (let i = 0; i < 100 && (await ask("return location.pathname")) === "/SignIn"; i += 1) await wait(50);
    const said = [];
    for (let i = 0; i < 2; i += 1) {
      await call(`${s}/url`, { url: `${base}/Sessions/${session}/Trackside` });
      if (i === 0) {
        // The clock is started once; then this visit begins with nothing kept.
        await ask("document.querySelector('.t-save')?.textContent.includes('Start') && document.querySelector('.t-save').click()");
        await wait(3000);
        await call(`${s}/url`, { url: "about:blank" });
        await call(`${s}/goog/cdp/execute`, { cmd: "Network.clearBrowserCache", params: {} });
        await call(`${s}/goog/cdp/execute`, { cmd: "Storage.clearDataForOrigin", params: { origin: base, storageTypes: "cache_storage,service_workers,indexeddb,local_storage,shader_cache" } });
        await call(`${s}/url`, { url: `${base}/Sessions/${session}/Trackside` });
      }
      let told;
      for (let j = 0; j < 4 && !told; j += 1) {
        // Asked late and seldom: asking takes the time that is measured.
        await wait(3000);
        told = await ask(`const at = (n) => performance.getEntriesByName(n)[0]?.startTime;
          const brought = performance.getEntriesByType('resource').filter((r) => r.name.includes('/_device/') || r.name.includes('framework'));
          return at('core-ready') ? { here: at('core-here'), ready: at('core-ready'), bytes: brought.reduce((a, r) => a + r.encodedBodySize * (r.transferSize > 0), 0), files: brought.length, usable: performance.getEntriesByType('navigation')[0].domContentLoadedEventEnd } : null`);
      }
      if (!told) throw new Error("Core was not ready after 10 s");
      said.push(told);
    }
    return said;
  } finally {
    await fetch(`http://127.0.0.1:${port}${s}`, { method: "DELETE" }).catch(() => {});
    driver.kill();
  }
}

for (let i = 0; i < visits; i += 1) {
  const [first, again] = await visit(9700 + i);
  const line = (v) => `usable ${v.usable.toFixed(0)} ms, Core here ${v.here.toFixed(0)}, ready ${v.ready.toFixed(0)}, ${(v.bytes / 1e6).toFixed(2)} MB in ${v.files} files`;
  console.log(`first: ${line(first)} | again: ${line(again)}`);
}
