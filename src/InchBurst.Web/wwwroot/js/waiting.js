// What waits on this device, one by one.
import * as outbox from "./outbox.js";

/**
 * Shows what waits on this device, to be mended, sent again or dropped.
 * @param who Who is signed in.
 * @param reload Reads anew what waits, after one of them changed.
 * @param then Draws and sends, after all was done.
 */
export async function openWaiting(who, reload, then) {
  const waiting = await outbox.all();
  const dialog = Object.assign(document.createElement("dialog"), { className: "t-person t-held" });
  const head = document.createElement("header");
  head.append(Object.assign(document.createElement("h2"), { textContent: "On this device" }));
  const close = Object.assign(document.createElement("button"), { className: "btn btn-outline-dark", textContent: "Close" });
  close.addEventListener("click", () => dialog.close());
  head.append(close);
  dialog.append(head);
  for (const entry of waiting) {
    const item = document.createElement("div");
    item.className = "t-heldrow";
    const words = document.createElement("p");
    words.append(Object.assign(document.createElement("b"), { textContent: `${entry.label}${entry.rep ? `, rep ${entry.rep}` : ""}` }), ` ${outbox.isOthers(entry, who) ? `was entered by ${entry.by}, who has to sign in here to send it` : entry.held ?? "waits for the signal"}`);
    item.append(words);
    const act = (text, what) => {
      const button = Object.assign(document.createElement("button"), { className: "btn btn-outline-dark", textContent: text });
      button.addEventListener("click", async () => { await what(); dialog.close(); await then(); });
      item.append(button);
    };
    const figures = entry.held && entry.does === "save" && !outbox.isOthers(entry, who) ? entry.fields.filter(([k]) => k === "mark" || k === "measure") : [];
    if (figures.length > 0) {
      const boxes = figures.map(([, value], i) => Object.assign(document.createElement("input"), { className: "form-control", value, maxLength: 40, inputMode: "decimal", ariaLabel: `Figure ${i + 1} of ${entry.label}` }));
      item.append(...boxes);
      act("Save again", async () => {
        boxes.forEach((box, i) => { figures[i][1] = box.value; });
        entry.label = `${entry.name} ${boxes.map((b) => b.value).filter(Boolean).join(" ")}`;
        delete entry.held;
        delete entry.asked;
        await outbox.put(entry);
        await reload();
      });
    }
    if (entry.asked) act("It is right, save it", async () => { entry.fields.push(["overrule", "true"]); delete entry.held; delete entry.asked; await outbox.put(entry); await reload(); });
    act(entry.held ? "Drop it" : "Take it back", async () => { if (window.confirm(`Drop ${entry.label}? It is not in the book yet.`)) { await outbox.remove(entry.n); await reload(); } });
    dialog.append(item);
  }
  dialog.addEventListener("close", () => dialog.remove());
  document.body.append(dialog);
  dialog.showModal();
}
