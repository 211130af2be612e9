"use strict";
(() => {
  const pack = JSON.parse(document.getElementById("pack").textContent);
  const KEY = `obtegum-pack-${pack.pack}`;
  const by = (id) => document.getElementById(id);
  let keeps = true;
  let kept = { entries: {}, given: "" };
  try {
    kept = JSON.parse(localStorage.getItem(KEY)) ?? kept;
  } catch {
    keeps = false;
  }
  const entries = () => Object.values(kept.entries);
  const code = () => JSON.stringify({ pack: pack.pack, house: pack.house, version: pack.version, entries: entries() });
  const keep = () => {
    try {
      localStorage.setItem(KEY, JSON.stringify(kept));
    } catch {
      keeps = false;
    }
  };
  let step = pack.steps[0];
  let place = 0;

  const made = (tag, text, kind) => {
    const element = document.createElement(tag);
    element.textContent = text;
    if (kind) element.className = kind;
    return element;
  };
  const name = (card) => card.tick || card.measure;
  const isDone = (card) => {
    const entry = kept.entries[name(card)];
    return card.tick ? (entry ? entry.done : card.state === "set") : Boolean(entry ? entry.text : card.typed);
  };

  const show = () => {
    const card = step.cards[place];
    const parts = [];
    if (step.caution) parts.push(made("p", step.caution, "care"));
    parts.push(made("h1", card.says));
    if (card.what) parts.push(made("p", card.what, "what"));
    if (card.reading) parts.push(made("p", card.reading, "number"));
    if (card.note) parts.push(made("p", card.note));
    if (card.measure) {
      const label = made("label", card.label || "What does the tape say?");
      const input = document.createElement("input");
      input.id = "typed";
      label.htmlFor = "typed";
      input.autocomplete = "off";
      input.value = kept.entries[card.measure]?.text ?? card.typed ?? "";
      input.addEventListener("input", () => write(card, input.value));
      input.addEventListener("keydown", (event) => {
        if (event.key === "Enter") move(1);
      });
      parts.push(label, input);
    }
    const drawing = step.drawings[card.view];
    if (drawing) {
      const holder = document.createElement("div");
      holder.innerHTML = drawing;
      for (const each of holder.querySelectorAll("[data-part]")) if (each.dataset.part === card.part) each.classList.add("lit");
      parts.push(holder);
    }
    by("card").replaceChildren(...parts);
    tell();
  };
  const tell = () => {
    const card = step.cards[place];
    const done = step.cards.filter(isDone).length;
    const warn = keeps ? "" : " This phone keeps nothing: give back before you close it.";
    by("said").textContent = `${place + 1} of ${step.cards.length}, ${done} done, ${entries().length} to give back.${warn}`;
    by("back").disabled = place === 0;
    by("next").disabled = place === step.cards.length - 1;
    by("done").disabled = !card.tick;
    by("done").textContent = card.tick ? (isDone(card) ? "Done ✓" : "Done") : isDone(card) ? "Written ✓" : "Write it above";
    by("done").setAttribute("aria-pressed", String(Boolean(card.tick) && isDone(card)));
  };
  const write = (card, text) => {
    kept.entries[card.measure] = { measure: card.measure, text, was: card.typed ?? "", reading: card.reading ?? "" };
    if (text === (card.typed ?? "")) delete kept.entries[card.measure];
    keep();
    tell();
  };
  const move = (by_) => {
    place = Math.min(Math.max(place + by_, 0), step.cards.length - 1);
    show();
    document.getElementById("typed")?.focus();
  };
  by("steps").append(
    ...pack.steps.map((each, at) => {
      const option = made("option", each.title);
      option.value = String(at);
      return option;
    }),
  );
  by("steps").addEventListener("change", (event) => {
    step = pack.steps[Number(event.target.value)];
    place = Math.max(step.cards.findIndex((card) => !isDone(card)), 0);
    show();
  });
  by("back").addEventListener("click", () => move(-1));
  by("next").addEventListener("click", () => move(1));
  by("done").addEventListener("click", () => {
    const card = step.cards[place];
    const done = !isDone(card);
    kept.entries[card.tick] = { tick: card.tick, done, reading: card.reading ?? "", at_m: card.at_m ?? 0 };
    if (done === (card.state === "set")) delete kept.entries[card.tick];
    keep();
    if (done && place < step.cards.length - 1) move(1);
    else show();
  });
  by("give").addEventListener("click", () => {
    by("count").textContent = `${entries().length} to give back to ${pack.name}, made of version ${pack.version} on ${pack.day}.`;
    by("code").value = code();
    by("scanned").hidden = true;
    by("giving").showModal();
  });
  let codes = [];
  let shown = 0;
  const showCode = () => {
    by("which").textContent = `Code ${shown + 1} of ${codes.length}: hold it before the camera.`;
    by("picture").innerHTML = codes[shown];
    by("following").hidden = codes.length === 1;
  };
  by("scan").addEventListener("click", async () => {
    try {
      codes = await packCodes.codesOf(code());
    } catch {
      by("which").textContent = "This browser makes no codes: give back as a file, or copy.";
      by("scanned").hidden = false;
      by("following").hidden = true;
      return;
    }
    shown = 0;
    by("scanned").hidden = false;
    showCode();
    by("picture").scrollIntoView();
  });
  by("following").addEventListener("click", () => {
    shown = (shown + 1) % codes.length;
    // Whether the bench has read it isn't known here: what is typed is asked for still before it is closed.
    showCode();
  });
  by("close").addEventListener("click", () => by("giving").close());
  by("code").addEventListener("focus", () => by("code").select());
  by("code").addEventListener("copy", () => given());
  by("save").addEventListener("click", () => {
    const link = document.createElement("a");
    link.href = URL.createObjectURL(new Blob([code()], { type: "application/json" }));
    link.download = `${pack.name} readings.json`;
    link.click();
    given();
  });
  const given = () => {
    kept.given = code();
    keep();
  };
  window.addEventListener("beforeunload", (event) => {
    if (entries().length && kept.given !== code()) event.preventDefault();
  });
  place = Math.max(step.cards.findIndex((card) => !isDone(card)), 0);
  show();
})();
