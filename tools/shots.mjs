// Takes pictures of the running demo through ChromeDriver. Usage: node tools/shots.mjs OUT_DIR name=path[@WIDTHxHEIGHT[t]] ... (t: by touch)
// A path may carry steps after "!": click:CSS, type:CSS:TEXT, enter:CSS, wait:CSS, top:PIXELS.
import { spawn } from "node:child_process";
import { mkdirSync, mkdtempSync, writeFileSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";

const [out, ...wanted] = process.argv.slice(2);
const base = process.env.BASE ?? "http://127.0.0.1:5080";
const port = 9600 + Math.floor(Math.random() * 300);
mkdirSync(out, { recursive: true });
const driver = spawn("chromedriver", [`--port=${port}`, "--log-level=OFF"], { stdio: "ignore" });

async function call(method, path, body) {
  for (let i = 0; ; i += 1) {
    try {
      const answer = await fetch(`http://127.0.0.1:${port}${path}`, { method, body: body && JSON.stringify(body) });
      const { value } = await answer.json();
      if (value?.error) throw new Error(`${value.error}: ${value.message}`);
      return value;
    } catch (error) {
      if (error.cause?.code !== "ECONNREFUSED" || i > 60) throw error;
      await new Promise((done) => setTimeout(done, 100));
    }
  }
}

const args = ["--headless", "--no-sandbox", "--disable-gpu", "--disable-quic", "--no-first-run", "--disable-background-networking", "--disable-component-update", "--disable-sync", "--hide-scrollbars", `--user-data-dir=${mkdtempSync(join(tmpdir(), "shots-"))}`];
const { sessionId } = await call("POST", "/session", { capabilities: { alwaysMatch: { "goog:chromeOptions": { args }, "goog:loggingPrefs": { browser: "ALL" } } } });
const s = `/session/${sessionId}`;
const key = "element-6066-11e4-a52e-4f735466cecf";
const find = async (css) => {
  for (let i = 0; ; i += 1) {
    try {
      return (await call("POST", `${s}/element`, { using: "css selector", value: css }))[key];
    } catch (error) {
      if (i > 40) throw error;
      await new Promise((done) => setTimeout(done, 100));
    }
  }
};
const idle = async () => {
  for (let i = 0; i < 60; i += 1) {
    if (await call("POST", `${s}/execute/sync`, { script: "return document.readyState==='complete' && !document.body.classList.contains('is-busy') && !document.querySelector('.htmx-request,.htmx-settling,.htmx-swapping')", args: [] })) return;
    await new Promise((done) => setTimeout(done, 50));
  }
};

try {
  await call("POST", `${s}/url`, { url: `${base}/SignIn` });
  if (!process.env.ANONYMOUS) await call("POST", `${s}/element/${await find("#enter-demo")}/click`, {});
  for (const item of wanted) {
    const [name, rest] = [item.slice(0, item.indexOf("=")), item.slice(item.indexOf("=") + 1)];
    const [address, ...steps] = rest.split("!");
    const [path, size = "1280x800"] = address.split("@");
    const [width, height] = size.replace("t", "").split("x").map(Number);
    await call("POST", `${s}/goog/cdp/execute`, { cmd: "Emulation.setDeviceMetricsOverride", params: { width, height, deviceScaleFactor: 1, mobile: width < 600 } });
    await call("POST", `${s}/goog/cdp/execute`, { cmd: "Emulation.setTouchEmulationEnabled", params: { enabled: size.endsWith("t") || width < 600, maxTouchPoints: 1 } });
    if (path) await call("POST", `${s}/url`, { url: base + path });
    for (const step of steps) {
      const [what, css, ...text] = step.split("|");
      if (what === "click") await call("POST", `${s}/element/${await find(css)}/click`, {});
      if (what === "type") await call("POST", `${s}/element/${await find(css)}/value`, { text: text.join("|") });
      if (what === "enter") await call("POST", `${s}/element/${await find(css)}/value`, { text: "\uE007" });
      if (what === "wait") await find(css);
      if (what === "top") await call("POST", `${s}/execute/sync`, { script: `window.scrollTo(0, ${css})`, args: [] });
      if (what === "pause") await new Promise((done) => setTimeout(done, Number(css)));
      if (what === "js") console.log(await call("POST", `${s}/execute/sync`, { script: css, args: [] }));
      if (what === "clear") await call("POST", `${s}/element/${await find(css)}/clear`, {});
      if (what === "tab") await call("POST", `${s}/element/${await find(css)}/value`, { text: "\uE004" });
      if (what === "url") await call("POST", `${s}/url`, { url: base + css });
      await idle();
    }
    await call("POST", `${s}/execute/async`, { script: "document.fonts.ready.then(arguments[0])", args: [] });
    const wide = await call("POST", `${s}/execute/sync`, { script: "return document.documentElement.scrollWidth", args: [] });
    writeFileSync(join(out, `${name}.png`), Buffer.from(await call("GET", `${s}/screenshot`), "base64"));
    console.log(`${name}.png${wide > width ? `  WIDER THAN THE SCREEN: ${wide}` : ""}  ${await call("GET", `${s}/url`)}`);
  }
  const log = await call("POST", `${s}/se/log`, { type: "browser" });
  for (const line of log) if (line.level === "SEVERE") console.log("console:", line.message);
} finally {
  await call("DELETE", s).catch(() => {});
  driver.kill();
}
