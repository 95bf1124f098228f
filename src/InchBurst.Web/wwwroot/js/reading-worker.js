// Core in a thread of its own: reads lines while the page goes on taking keys.
let device = null;

self.addEventListener("message", async ({ data }) => {
  if (data.open) {
    const { dotnet } = await import(`${data.base}dotnet.js`);
    device = (await (await dotnet.create()).getAssemblyExports("InchBurst.Device")).Device;
    device.OpenReader(data.open);
    // The first line brings the words and the exercises; nobody waits for it.
    device.ReadLine("A skip x 2 20m r 90s");
    self.postMessage({ ready: true });
    return;
  }
  let answer = null;
  try { answer = device.ReadLine(data.text); } catch (error) { console.warn("Core on the device:", error.message); }
  self.postMessage({ id: data.id, answer });
});
