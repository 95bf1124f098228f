// Core in a thread of its own: reads lines while the page goes on taking keys.
let device = null;
let starting = null;

async function start(base) {
  const { dotnet } = await import(`${base}dotnet.js`);
  device = (await (await dotnet.create()).getAssemblyExports("InchBurst.Device")).Device;
}

async function open(base, document) {
  // Brought once, however often what it knows is brought anew.
  starting ??= start(base);
  await starting;
  device.OpenReader(document);
  // The first line brings the words and the exercises; nobody waits for it.
  device.ReadLine("A skip x 2 20m r 90s");
}

self.addEventListener("message", ({ data }) => {
  if (data.open) {
    open(data.base, data.open).then(() => self.postMessage({ ready: true }), (error) => console.warn("Core on the device does not read, the server does:", error.message));
    return;
  }
  let answer = null;
  try { answer = device.ReadLine(data.text); } catch (error) { console.warn("Core on the device:", error.message, data.text); }
  self.postMessage({ id: data.id, answer });
});
