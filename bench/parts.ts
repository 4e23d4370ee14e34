/** The figures of the Parts room: findings after an edit, splitting a song, and how far a split may be from the best. */
import { readChordText, versionOfSheet } from "../src/core/formats";
import { moveLine } from "../src/core/fretboard";
import {
  findingsOf,
  SCHOOLS,
  SONG_WEIGHTS,
  SPLIT_WEIGHTS,
  type SplitWeights,
  splitBy,
  splitCaseOf,
  sumOfBand,
} from "../src/core/parts";
import { planRequest } from "../src/core/parts/plan-request";
import { planShapes } from "../src/core/parts/shape-plan";
import { BASS_TUNING, GUITAR_TUNING } from "../src/core/pitch";
import { set } from "../src/core/song/edit";
import { techniquesFor } from "../src/core/song/read";
import {
  type Cell,
  DOCUMENTS,
  EMPTY_CELL,
  type Instrument,
  PLAIN_HAND,
  type Player,
  type VersionBody,
} from "../src/core/song/schema";
import { applyEdit } from "../src/document";
import { derive } from "../src/rooms/open/derived";
import { largeSheet, quantiles } from "./large-song.mjs";

const BAND: readonly Instrument[] = ["guitar", "guitar", "bass", "keys", "drums", "guitar"];
const tuningOf = (instrument: Instrument): string[] =>
  instrument === "guitar" ? [...GUITAR_TUNING] : instrument === "bass" ? [...BASS_TUNING] : [];

/** A song of so many sections with six players, every part of it said. */
function songOf(sections: number): VersionBody {
  let count = 0;
  const makeId = () => `id${count++}`;
  const base = versionOfSheet(readChordText(largeSheet(sections)), { name: "Bench", kind: "sheet" }, makeId);
  const players = BAND.map(
    (instrument, at): Player => ({
      ...PLAIN_HAND,
      id: `p${at}`,
      bandPlayerId: null,
      order: `V${at + 1}`,
      name: `P${at}`,
      instrument,
      tuning: tuningOf(instrument),
      capo: at === 1 ? 2 : 0,
      level: at === 5 ? "beginner" : "fluent",
      sings: at === 0,
      range: null,
      light: 2,
      role: at === 0 ? "carry" : instrument === "bass" ? "bass" : "support",
    }),
  );
  const cells = Object.values(base.uses).flatMap((use, row) =>
    players.map((player): Cell => {
      const techniques = techniquesFor(player.instrument);
      return {
        ...EMPTY_CELL,
        id: `cell${row}-${player.id}`,
        useId: use.id,
        playerId: player.id,
        technique: techniques[row % techniques.length]!,
        light: (row % 4) + 1,
      };
    }),
  );
  const byId = <Row extends { id: string }>(rows: readonly Row[]) =>
    Object.fromEntries(rows.map((row) => [row.id, row]));
  const kinds = ["verse", "chorus", "bridge"] as const;
  return {
    ...base,
    sections: byId(
      Object.values(base.sections).map((section, at) => ({
        ...section,
        kind: kinds[at % 3]!,
        energy: [1, 3, 2, 4][at % 4]!,
        bass: at % 7 === 3 ? ("free" as const) : ("needed" as const),
        melodyRange: at % 5 === 4 ? null : [57 + (at % 3), 72 + (at % 3)],
      })),
    ),
    players: byId(players),
    cells: byId(cells),
  };
}

function benchFindings(): void {
  let body = songOf(40);
  const plans = new Map(
    Object.values(body.players).map((player) => [player.id, planShapes(planRequest(body, player))]),
  );
  const cells = Object.keys(body.cells);
  let found = 0;
  const edit = (round: number): number => {
    const began = performance.now();
    const applied = applyEdit(
      DOCUMENTS.version,
      body,
      set("cells", cells[(round * 37) % cells.length]!, { light: round % 5 }),
    );
    if (!applied.ok) throw new Error("Expected an edit that fits.");
    body = applied.value.body;
    found = findingsOf(derive.sheet(body), plans, 600).length;
    return performance.now() - began;
  };
  for (let round = 0; round < 40; round++) edit(round);
  const { median, p95, most } = quantiles(Array.from({ length: 300 }, (_, round) => edit(round + 40)));
  console.log(
    `findings after an edit, 40 sections × 6 players, ${found} found: median ${median.toFixed(1)} ms, p95 ${p95.toFixed(1)} ms, slowest ${most.toFixed(1)} ms (at most 16)`,
  );
  const began = performance.now();
  const sums = sumOfBand(body, derive.sheet(body), plans);
  console.log(
    `the sum of that band: ${sums.length} chords in ${(performance.now() - began).toFixed(0)} ms, in the worker`,
  );
}

function benchSplit(weights: SplitWeights, words: string): void {
  const body = songOf(40);
  const split = splitCaseOf(body, derive.sheet(body), new Set(), weights);
  for (const warm of [true, false]) {
    let all = 0;
    const said = SCHOOLS.map((school, at) => {
      const began = performance.now();
      const { score, bound, violations } = splitBy(split, school);
      const ms = performance.now() - began;
      all += ms;
      return `${school} ${ms.toFixed(0)} ms${at === 0 ? " (at most 2000)" : ""}, score ${score.toFixed(2)}, at most ${(score - bound).toFixed(2)} over the best, ${violations.length} rules broken`;
    });
    console.log(
      `split of 40 sections × 6 players${words}, ${warm ? "first asked" : "again"}: ${said.join("; ")}; all three ${all.toFixed(0)} ms (at most 5000)`,
    );
  }
}

/** A line of 64 bars in eighths, a whole tone up on strings where some notes were open. */
function benchMovedLine(): void {
  const tuning = [40, 45, 50, 55, 59, 64];
  const notes = Array.from({ length: 512 }, (_, at) => ({
    tick: at * 480,
    string: 1 + (at % 5),
    fret: (at * 7) % 10,
  }));
  const neck = { tuning, capo: 0 };
  const times: number[] = [];
  for (let round = 0; round < 9; round++) {
    const began = performance.now();
    const ways = moveLine(notes, { from: neck, to: neck, by: 2 });
    times.push(performance.now() - began);
    if (ways[0]!.lost.length > 0)
      throw new Error("The line of the bench has lost notes: it measures something else.");
  }
  const { median } = quantiles(times);
  console.log(
    `a line of 64 bars moved: median ${median.toFixed(1)} ms, first ${times[0]!.toFixed(1)} ms (at most 50)`,
  );
}

benchFindings();
benchMovedLine();
benchSplit(SPLIT_WEIGHTS, "");
benchSplit(SONG_WEIGHTS, " with bars out counted");
