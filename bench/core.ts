/** The figures of the core: fingerings, and an edit on a large song. Printed by `npm run bench`. */
import { createHash } from "node:crypto";
import { unwrap } from "../src/base";
import { parseChord } from "../src/core/chord";
import { readChordText, versionOfSheet } from "../src/core/formats";
import { fingerings } from "../src/core/fretboard";
import { GUITAR_TUNING, parseTuning } from "../src/core/pitch";
import { set } from "../src/core/song/edit";
import { namerByShift } from "../src/core/song/names";
import { resolveCell } from "../src/core/song/read";
import { DOCUMENTS, PLAIN_HAND, type Player, type VersionBody } from "../src/core/song/schema";
import { applyEdit, byOrder } from "../src/document";
import { derive } from "../src/rooms/open/derived";
import { QUALITIES, ROOTS } from "./chords";
import { largeSheet, quantiles } from "./large-song.mjs";

function benchFingerings(): void {
  const tuning = unwrap(parseTuning(GUITAR_TUNING));
  const times: number[] = [];
  const hash = createHash("sha256");
  let shapes = 0;
  for (const root of ROOTS) {
    for (const quality of QUALITIES) {
      const chord = unwrap(parseChord(root + quality));
      const began = performance.now();
      const found = fingerings(chord, { tuning, maxFret: 15 });
      times.push(performance.now() - began);
      shapes += found.total;
      for (const one of found.fingerings)
        hash.update(`${root}${quality} ${one.frets.join()} ${one.difficulty} ${one.price}\n`);
    }
  }
  const { median, p95 } = quantiles(times);
  console.log(
    `fingerings, all of a chord, standard tuning, maxFret 15, ${times.length} chords, nothing cached: ${shapes} shapes, hash ${hash.digest("hex").slice(0, 16)}; median ${median.toFixed(1)} ms (at most 3), p95 ${p95.toFixed(1)} ms (at most 10)`,
  );
}

/** A song of 40 sections and 5 players, edited 200 times: reducer, timeline and all the sheet shows, as a window derives them. */
function benchEdit(): void {
  let count = 0;
  const makeId = () => `id${count++}`;
  const base = versionOfSheet(readChordText(largeSheet(40)), { name: "Bench", kind: "sheet" }, makeId);
  const players = Object.fromEntries(
    Array.from({ length: 5 }, (_, index): [string, Player] => [
      `p${index}`,
      {
        id: `p${index}`,
        bandPlayerId: null,
        order: `V${index + 1}`,
        name: `P${index}`,
        instrument: "guitar",
        tuning: [...GUITAR_TUNING],
        capo: 0,
        level: "fluent",
        sings: false,
        range: null,
        light: 2,
        role: "support",
        ...PLAIN_HAND,
      },
    ]),
  );
  let body: VersionBody = { ...base, players };
  const words = Object.keys(body.words);
  const chords = Object.keys(body.chords);
  const times: number[] = [];
  for (let edit = 0; edit < 200; edit++) {
    const command =
      edit % 2
        ? set("words", words[(edit * 7) % words.length]!, { text: `word${edit}` })
        : set("chords", chords[(edit * 11) % chords.length]!, { ticks: 960 * (1 + (edit % 4)) });
    const began = performance.now();
    body = unwrap(applyEdit(DOCUMENTS.version, body, command)).body;
    const outline = derive.outline(body);
    const timeline = derive.timeline(body);
    const sums = derive.sums(body);
    const index = derive.cellIndex(body);
    const sheet = outline.form.map((use) =>
      Object.values(body.players)
        .sort(byOrder)
        .map((player) => resolveCell(index, use, player)),
    );
    times.push(performance.now() - began);
    if (timeline.passages.length === 0 || sums.size === 0 || sheet.length === 0)
      throw new Error("Expected a song.");
  }
  const { median, p95 } = quantiles(times);
  console.log(
    `an edit on 40 sections and 5 players (${words.length} words, ${chords.length} chords): median ${median.toFixed(1)} ms, p95 of 200 ${p95.toFixed(1)} ms (at most 16)`,
  );
}

/** Typing in a song of 352 bars: each keystroke is an edit, and everything the Song room derives is derived anew. */
function benchTyping(): void {
  let count = 0;
  const makeId = () => `id${count++}`;
  let body = versionOfSheet(readChordText(largeSheet(11)), { name: "Bench", kind: "sheet" }, makeId);
  const words = Object.keys(body.words);
  const chords = Object.keys(body.chords);
  const namers = namerByShift(body);
  const names = (_: null, shift: number) => namers(shift);
  const views = [
    derive.outline,
    derive.timeline,
    derive.sums,
    (of: VersionBody) => derive.formRows(of, names),
    (of: VersionBody) => derive.alike(of, names),
    derive.cellIndex,
  ];
  for (const view of views) view(body);
  const times: number[] = [];
  for (let key = 0; key < 300; key++) {
    const command =
      key % 3
        ? set("words", words[(key * 7) % words.length]!, { text: `word${key}` })
        : set("chords", chords[(key * 11) % chords.length]!, { ticks: 960 * (1 + (key % 4)) });
    const began = performance.now();
    body = unwrap(applyEdit(DOCUMENTS.version, body, command)).body;
    for (const view of views) view(body);
    times.push(performance.now() - began);
  }
  const { median, p95 } = quantiles(times);
  console.log(
    `a keystroke in a song of ${derive.timeline(body).bars} bars, every derived view of the Song room: median ${median.toFixed(1)} ms, p95 of 300 ${p95.toFixed(1)} ms (at most 16)`,
  );
}

benchFingerings();
benchEdit();
benchTyping();
