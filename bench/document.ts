/** A document of 20,000 rows: what one edit costs on the server, without the database. */
import { performance } from "node:perf_hooks";
import { add, remove, set, type VersionCommand } from "../src/core/song/edit";
import { versionRow } from "../src/core/song/read";
import { DOCUMENTS, EMPTY_CELL, PLAIN_USE, type VersionBody } from "../src/core/song/schema";
import { bodyMaker, openBody } from "../src/document";
import { takeEdit } from "../src/document/log";
import { groupsTouched, searchedText, versionFacts } from "../src/server/documents/shelf-facts";
import { sampleVersion } from "../testing/song/sample-version";
import { quantiles } from "./large-song.mjs";

const ROWS = 20_000;
const EDITS = 400;

/** A version with many rows: sections of eight lines with four words and four chords, all in the form, and parts of five players. */
function largeVersion(): VersionBody {
  const { put, body } = bodyMaker(DOCUMENTS.version);
  const plain = sampleVersion({ a: { lines: ["x/G:4"] } }, ["a"], [{}]);
  put("version", versionRow(plain));
  const player = Object.values(plain.players)[0]!;
  for (let at = 0; at < 5; at++) put("players", { ...player, id: `p${at}`, order: `V${at}` });
  const count = () => Object.values(body).reduce((sum, rows) => sum + Object.keys(rows).length, 0);
  const [section, line] = [plain.sections.a!, Object.values(plain.lines)[0]!];
  const [word, chord] = [Object.values(plain.words)[0]!, Object.values(plain.chords)[0]!];
  const place = (at: number) => `V${String(at).padStart(6, "0")}1`;
  for (let at = 0; count() < ROWS; at++) {
    const sectionId = `s${at}`;
    put("sections", { ...section, id: sectionId, order: place(at) });
    put("uses", { ...PLAIN_USE, id: `u${at}`, originId: null, sectionId, order: place(at), repeat: 1 });
    for (let player = 0; player < 5; player++)
      put("cells", {
        ...EMPTY_CELL,
        id: `c${at}p${player}`,
        useId: `u${at}`,
        playerId: `p${player}`,
        light: 2,
      });
    for (let row = 0; row < 8; row++) {
      const lineId = `${sectionId}l${row}`;
      put("lines", { ...line, id: lineId, sectionId, order: place(row) });
      for (let beat = 0; beat < 4; beat++) {
        const own = { lineId, order: place(beat) };
        put("words", { ...word, ...own, id: `${lineId}w${beat}`, text: `word${beat}` });
        put("chords", { ...chord, ...own, id: `${lineId}c${beat}`, wordId: `${lineId}w${beat}` });
      }
    }
  }
  return body;
}

const stored = JSON.stringify(largeVersion());
const rows = Object.values(JSON.parse(stored) as VersionBody).reduce(
  (sum, table) => sum + Object.keys(table).length,
  0,
);

/** The edits people make, in turn: light, words, a chord, its beats, a cue, a chord taken out. */
const edits: ((at: number) => VersionCommand)[] = [
  (at) => set("cells", `c${at % 200}p${at % 5}`, { light: at % 5 }),
  (at) => set("words", `s${at % 200}l1w1`, { text: `new${at}` }),
  (at) => set("chords", `s${at % 200}l2c1`, { symbol: at % 2 ? "Am7" : "D" }),
  (at) => set("chords", `s${at % 200}l3c2`, { ticks: 960 * (1 + (at % 4)) }),
  (at) =>
    add("cues", {
      id: `q${at}`,
      playerId: null,
      giverId: null,
      useId: `u${at % 200}`,
      tick: 0,
      wordId: null,
      text: "Look up",
      sign: "nod",
      danger: false,
    }),
  (at) => remove("chords", { id: `s${at % 200}l4c${((at / 6) % 4) | 0}` }),
];

const row = { by: "", composer: "", copyright: "", tags: [], rehearsed: null, archived: false };
const song = { song: { s: { ...row, id: "s", title: "Long night" } }, practices: {}, verdicts: {} };

const times: number[] = [];
const byEdit = new Map<number, number[]>();
for (let at = 0; at < EDITS; at++) {
  // As it comes from the database: parsed, and nobody else's.
  const body: unknown = JSON.parse(stored);
  const command = edits[at % edits.length]!(at);
  const began = performance.now();
  const opened = openBody(DOCUMENTS.version, { schema: DOCUMENTS.version.form, body });
  if (!opened.ok) throw new Error("Expected a sound body.");
  const taken = takeEdit(
    DOCUMENTS.version,
    { revision: 0, body: opened.value },
    { editId: `e${at}`, base: 0, command },
    [],
  );
  if (taken.status === "done") {
    const groups = groupsTouched(taken.touches);
    versionFacts(taken.body, groups);
    if (groups.has("search")) searchedText(song, taken.body);
  }
  const ms = performance.now() - began;
  if (taken.status !== "done")
    throw new Error(`Expected the edit to be taken, got ${JSON.stringify(taken)}.`);
  times.push(ms);
  byEdit.set(at % edits.length, [...(byEdit.get(at % edits.length) ?? []), ms]);
}
const { median, p95, most } = quantiles(times);
console.log(
  `one edit on ${rows} rows on the server, what the shelf shows of it included, without the database: median ${median.toFixed(2)} ms (at most 5), p95 ${p95.toFixed(2)}, slowest ${most.toFixed(1)}; by kind ${[...byEdit.values()].map((list) => quantiles(list).median.toFixed(2)).join(", ")} ms`,
);
