// Every request carries the anti-forgery token; a request that fails says so and loses nothing typed.
let running = 0;

export const token = () => document.querySelector('meta[name="form-token"]')?.content ?? "";

/** Marks the page as busy until the returned function is called. */
export function busy() {
  running += 1;
  document.body.classList.add("is-busy");
  return () => {
    running -= 1;
    if (running === 0) document.body.classList.remove("is-busy");
  };
}

export function say(text) {
  let bar = document.getElementById("request-trouble");
  if (!bar) {
    bar = document.createElement("div");
    bar.id = "request-trouble";
    bar.className = "request-trouble";
    bar.setAttribute("role", "alert");
    document.body.append(bar);
  }
  bar.textContent = text;
  bar.hidden = text === "";
}

document.addEventListener("htmx:configRequest", (event) => {
  if (event.detail.verb !== "get") event.detail.headers.RequestVerificationToken = token();
});
// Counted on the request itself: the element that sent it may be gone from the page when the answer comes.
document.addEventListener("htmx:beforeSend", (event) => event.detail.xhr.addEventListener("loadend", busy()));
document.addEventListener("htmx:sendError", () => say("The server cannot be reached. What you typed is still here; try again in a moment."));
document.addEventListener("htmx:responseError", (event) => {
  const status = event.detail.xhr.status;
  say(status === 400 || status === 401
    ? "This page has been open too long. Reload it; what you typed is still here until you do."
    : "That did not work and nothing was changed. Try again.");
});
document.addEventListener("htmx:afterSwap", () => say(""));
