// What each athlete is told after a session: one is shown, the coach's own part ends all of them, and they are copied or handed to the device to send.
import { remember, remembered } from "./memory.js";

const part = document.querySelector("[data-messages]");

function begin() {
  const who = part.querySelector("[data-message-who]");
  const own = part.querySelector("[data-message-own]");
  const said = part.querySelector("[data-message-said]");
  const key = `inch-burst-message-${own.dataset.messageOwn}`;
  const texts = [...part.querySelectorAll("[data-own]")];
  const shown = () => document.getElementById(who.value);

  // Words changed by hand stay; the own part is put after whatever stands above it.
  let last = "";
  const putOwn = () => {
    const words = own.value.trim();
    for (const text of texts) {
      const bare = last && text.value.endsWith(`\n${last}`) ? text.value.slice(0, -last.length - 1) : text.value;
      text.value = words ? `${bare}\n${words}` : bare;
    }
    last = words;
  };
  own.value = remembered("localStorage", key) ?? "";
  putOwn();
  own.addEventListener("input", () => { putOwn(); remember("localStorage", key, own.value); });
  const show = () => {
    for (const text of texts) text.parentElement.hidden = text !== shown();
    said.textContent = "";
  };
  who.addEventListener("change", show);
  show();

  const copy = (text, what) => (navigator.clipboard ? navigator.clipboard.writeText(text) : Promise.reject(new Error("no clipboard")))
    .then(() => { said.textContent = `${what} copied.`; }, () => { shown().select(); said.textContent = "Press Ctrl+C to copy."; });
  const name = () => who.selectedOptions[0].textContent;
  part.querySelector("[data-message-copy]").addEventListener("click", () => copy(shown().value, `Message to ${name()}`));
  part.querySelector("[data-message-all]").addEventListener("click", () => copy(texts.map((t) => t.value).join("\n\n"), `${texts.length} messages`));
  const share = part.querySelector("[data-message-share]");
  share.hidden = !navigator.share;
  part.querySelector("[data-message-copy]").classList.replace("btn-dark", navigator.share ? "btn-outline-dark" : "btn-dark");
  // Closing the device's own sheet without sending is no failure.
  share.addEventListener("click", () => navigator.share({ text: shown().value }).then(() => { said.textContent = `Handed over: ${name()}.`; }, () => {}));
}

if (part) begin();
