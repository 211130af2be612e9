"use strict";
(() => {
  const pack = JSON.parse(document.getElementById("pack").textContent);
  const KEY = `obtegum-pack-${pack.pack}`;
  const MOST_PAST = 200;
  const by = (id) => document.getElementById(id);
  const name = (card) => card.tick || card.measure;
  let keeps = true;
  // What was typed and done, what each change was made over, and the card in the hand.
  let kept = { entries: {}, given: "", past: [], at: null };
  try {
    kept = { ...kept, ...JSON.parse(localStorage.getItem(KEY)) };
  } catch {
    keeps = false;
  }
  const cards = new Map(pack.steps.flatMap((each) => each.cards.map((card) => [name(card), card])));
  // What can't be used stays here as it was typed, until it is mended.
  const readOf = (card, text) => packKit.readBy(text, pack.rules[card.rule], pack.tape);
  const isWrong = (entry) => Boolean(entry.measure && readOf(cards.get(entry.measure), entry.text).wrong);
  const entries = () => Object.values(kept.entries).filter((entry) => !isWrong(entry));
  const wrongs = () => Object.values(kept.entries).filter(isWrong);
  const code = () => JSON.stringify({ pack: pack.pack, house: pack.house, version: pack.version, entries: entries() });
  const keep = () => {
    try {
      localStorage.setItem(KEY, JSON.stringify(kept));
    } catch {
      keeps = false;
    }
  };
  let step = pack.steps.find((each) => each.id === kept.at?.step) ?? pack.steps[0];
  let place = step.cards.findIndex((card) => card.id === kept.at?.card);

  const made = (tag, text, kind) => {
    const element = document.createElement(tag);
    element.textContent = text;
    if (kind) element.className = kind;
    return element;
  };
  const isDone = (card) => {
    const entry = kept.entries[name(card)];
    if (entry && isWrong(entry)) return false;
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
      // As on the bench: what is typed takes the place of what stands.
      input.addEventListener("focus", () => input.select());
      input.addEventListener("input", () => write(card, input.value));
      input.addEventListener("keydown", (event) => {
        // What can't be used is said, and the card stays.
        if (event.key === "Enter" && !readOf(card, input.value).wrong) move(1);
      });
      const read = made("p", "", "read");
      read.id = "read";
      read.setAttribute("aria-live", "polite");
      input.setAttribute("aria-describedby", "read");
      parts.push(label, input, read);
    }
    const drawing = step.drawings[card.view];
    if (drawing) {
      const holder = document.createElement("div");
      holder.innerHTML = drawing;
      for (const each of holder.querySelectorAll("[data-part]")) if (each.dataset.part === card.part) each.classList.add("lit");
      parts.push(holder);
    }
    by("card").replaceChildren(...parts);
    sayRead();
    kept.at = { step: step.id, card: card.id };
    keep();
    tell();
  };
  /** How what is typed is read, or why it can't be. */
  const sayRead = () => {
    const card = step.cards[place];
    const input = document.getElementById("typed");
    if (!input) return;
    const { reads, wrong } = readOf(card, input.value);
    const same = input.value === (card.typed ?? "");
    by("read").textContent = wrong || (reads && !same && reads !== input.value.trim() ? `reads ${reads}` : "");
    by("read").classList.toggle("wrong", Boolean(wrong));
    input.setAttribute("aria-invalid", String(Boolean(wrong)));
  };
  const tell = () => {
    const card = step.cards[place];
    const done = step.cards.filter(isDone).length;
    const warn = keeps ? "" : " This phone keeps nothing: give back before you close it.";
    by("said").textContent = `${place + 1} of ${step.cards.length}, ${done} done, ${entries().length} to give back.${warn}`;
    by("undo").disabled = kept.past.length === 0;
    by("back").disabled = place === 0;
    by("next").disabled = place === step.cards.length - 1;
    by("done").disabled = !card.tick;
    by("done").textContent = card.tick ? (isDone(card) ? "Done ✓" : "Done") : isDone(card) ? "Written ✓" : "Write it above";
    by("done").setAttribute("aria-pressed", String(Boolean(card.tick) && isDone(card)));
  };
  /** What stands of a card is kept before it is changed; letters typed one after the other are one change. */
  let writing = null;
  const remember = (card) => {
    kept.past.push({ step: step.id, card: card.id, name: name(card), entry: kept.entries[name(card)] ?? null });
    kept.past = kept.past.slice(-MOST_PAST);
  };
  const undo = () => {
    const last = kept.past.pop();
    if (!last) return;
    writing = null;
    if (last.entry) kept.entries[last.name] = last.entry;
    else delete kept.entries[last.name];
    step = pack.steps.find((each) => each.id === last.step) ?? step;
    by("steps").value = String(pack.steps.indexOf(step));
    place = Math.max(step.cards.findIndex((card) => card.id === last.card), 0);
    show();
    by("said").textContent = `Taken back. ${by("said").textContent}`;
  };
  const write = (card, text) => {
    if (writing !== card.id) remember(card);
    writing = card.id;
    kept.entries[card.measure] = { measure: card.measure, text, was: card.typed ?? "", reading: card.reading ?? "" };
    if (text === (card.typed ?? "")) delete kept.entries[card.measure];
    keep();
    sayRead();
    tell();
  };
  const move = (by_) => {
    writing = null;
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
  by("undo").addEventListener("click", undo);
  by("back").addEventListener("click", () => move(-1));
  by("next").addEventListener("click", () => move(1));
  by("done").addEventListener("click", () => {
    const card = step.cards[place];
    const done = !isDone(card);
    remember(card);
    kept.entries[card.tick] = { tick: card.tick, done, reading: card.reading ?? "", at_m: card.at_m ?? 0 };
    if (done === (card.state === "set")) delete kept.entries[card.tick];
    keep();
    if (done && place < step.cards.length - 1) move(1);
    else show();
  });
  by("give").addEventListener("click", () => {
    const left = wrongs().map((entry) => cards.get(entry.measure).label || entry.measure);
    const stays = left.length ? ` Not with them, as they can’t be read: ${left.join(", ")}.` : "";
    by("count").textContent = `${entries().length} to give back to ${pack.name}, made of version ${pack.version} on ${pack.day}.${stays}`;
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
      codes = await packKit.codesOf(code());
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
    if (wrongs().length || (entries().length && kept.given !== code())) event.preventDefault();
  });
  // It opens where one was, or at what is to be done first.
  if (place < 0) place = Math.max(step.cards.findIndex((card) => !isDone(card)), 0);
  by("steps").value = String(pack.steps.indexOf(step));
  show();
})();
