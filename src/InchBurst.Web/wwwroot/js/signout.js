// What a device keeps of people goes when somebody signs out.
document.addEventListener("submit", (event) => {
  if (event.target.getAttribute("action")?.includes("handler=Out") && "caches" in window) for (const name of ["inch-burst-pages", "inch-burst-live"]) caches.delete(name);
});
