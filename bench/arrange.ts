/** The figures of `arrange`: thirty songs against `split` on the same ones, and times. */
import { type Arrangement, arrange, SPLIT_WEIGHTS, splitBy } from "../src/core/parts";
import { ARRANGE_SONGS, type BenchSong, caseOf, WHOLE_BAND } from "./arrange-songs";

type Cell = {
  readonly role: string;
  readonly technique: string | null;
  readonly low: number | null;
  readonly high: number | null;
  readonly onsets: readonly number[];
  readonly entryBar: number;
};

const mean = (values: readonly number[]): number =>
  values.length === 0 ? 0 : values.reduce((sum, value) => sum + value, 0) / values.length;

/** What two proposals can be measured by alike: cells by use and player. */
function figuresOf({ asked }: BenchSong, cells: readonly (readonly Cell[])[]) {
  const [semitones, strokes]: [number[], number[]] = [[], []];
  for (const row of cells)
    for (const [at, a] of row.entries())
      for (const b of row.slice(at + 1)) {
        if (a.low === null || b.low === null) continue;
        semitones.push(Math.max(0, Math.min(a.high!, b.high!) - Math.max(a.low, b.low)));
        const shared = a.onsets.filter((tick) => b.onsets.includes(tick)).length;
        strokes.push(shared / Math.max(1, new Set([...a.onsets, ...b.onsets]).size));
      }
  const bars = asked.uses.reduce((sum, use) => sum + use.bars, 0);
  const played = asked.players.map((_, who) =>
    cells.reduce(
      (sum, row, at) => sum + (row[who]!.role === "out" ? 0 : asked.uses[at]!.bars - row[who]!.entryBar + 1),
      0,
    ),
  );
  const guitars = asked.players.flatMap(({ instrument }, who) => (instrument === "guitar" ? [who] : []));
  return {
    techniques: mean(guitars.map((who) => new Set(cells.flatMap((row) => row[who]!.technique ?? [])).size)),
    semitones: mean(semitones),
    strokes: mean(strokes),
    shares: played.map((own) => Math.round((100 * own) / bars)),
  };
}

const said = (song: BenchSong, cells: readonly (readonly Cell[])[]): string => {
  const { techniques, semitones, strokes, shares } = figuresOf(song, cells);
  return `${techniques.toFixed(1)} techniques a guitar, ${semitones.toFixed(1)} semitones and ${(100 * strokes).toFixed(0)} % of strokes shared, plays ${shares.join("/")} %`;
};

/** Light × onsets from the first to the last verse, and from the first to the last chorus. */
function arcOf({ asked }: BenchSong, { cells }: Arrangement): string {
  const sum = (at: number) =>
    cells[at]!.reduce((total, { light, onsets }) => total + light * onsets.length, 0);
  return ["verse", "chorus"]
    .flatMap((kind) => {
      const places = asked.uses.flatMap((use, at) => (use.kind === kind ? [at] : []));
      return places.length > 1 ? [`${kind} ${places.map(sum).join("→")}`] : [];
    })
    .join(", ");
}

function benchSongs(): void {
  const all = {
    mine: [] as ReturnType<typeof figuresOf>[],
    theirs: [] as ReturnType<typeof figuresOf>[],
    ideas: [] as number[],
  };
  let broken = 0;
  let slowest = 0;
  for (const song of ARRANGE_SONGS) {
    const { asked } = song;
    const began = performance.now();
    let first = 0;
    const found = arrange(asked, null, { hear: () => (first ||= performance.now() - began) });
    const ms = performance.now() - began;
    slowest = Math.max(slowest, first);
    const [best] = found;
    broken += found.filter(({ violations }) => violations.length > 0).length;
    for (const { school, violations } of found)
      for (const { law, use, words } of violations)
        console.log(`  ${school} breaks law ${law} at ${use}: ${words}`);
    const guitars = asked.players.flatMap(({ instrument }, who) => (instrument === "guitar" ? [who] : []));
    const ideas = mean(
      guitars.map(
        (who) =>
          new Set(best!.cells.flatMap((row) => (row[who]!.role === "out" ? [] : [row[who]!.idea]))).size,
      ),
    );
    const split = splitBy(
      {
        meter: asked.meter,
        sections: asked.uses,
        players: asked.players.filter(({ instrument }) => instrument !== "voice"),
        weights: SPLIT_WEIGHTS,
        anyRole: false,
      },
      "carry and colour",
    );
    const sung = {
      ...song,
      asked: { ...asked, players: asked.players.filter(({ instrument }) => instrument !== "voice") },
    };
    const mine = best!.cells.map((row) => row.filter((_, who) => asked.players[who]!.instrument !== "voice"));
    all.mine.push(figuresOf(sung, mine));
    all.theirs.push(figuresOf(sung, split.cells));
    all.ideas.push(ideas);
    console.log(
      `${song.title} (${song.band}, ${asked.meter.beats}/${asked.meter.unit}, ${asked.uses.map(({ section }) => section).join("")}): ${best!.school}, ${ideas.toFixed(1)} ideas and ${said(sung, mine)}; ${arcOf(song, best!)}; score ${best!.score.toFixed(1)}, bound ${best!.bound.toFixed(1)}, ${found.length} in ${ms.toFixed(0)} ms, the first in ${first.toFixed(0)}. split: ${said(sung, split.cells)}`,
    );
  }
  const row = (name: string, of: (one: ReturnType<typeof figuresOf>) => number) =>
    `${name} ${mean(all.mine.map(of)).toFixed(2)} (split ${mean(all.theirs.map(of)).toFixed(2)})`;
  console.log(
    `thirty songs: ${mean(all.ideas).toFixed(2)} ideas a guitar, ${row("techniques", ({ techniques }) => techniques)}, ${row("semitones shared", ({ semitones }) => semitones)}, ${row("strokes shared", ({ strokes }) => strokes)}; ${broken} proposals break a law; first proposal within ${slowest.toFixed(0)} ms (at most 300)`,
  );
}

function benchLarge(): void {
  const asked = caseOf("IVPCVPCBCO".repeat(4), WHOLE_BAND, { beats: 4, unit: 4 });
  for (const warm of ["first asked", "again"]) {
    const began = performance.now();
    let first = 0;
    const found = arrange(asked, null, { hear: () => (first ||= performance.now() - began) });
    console.log(
      `arrange of 40 uses × 6 players, ${warm}: first proposal ${first.toFixed(0)} ms (at most 1500), all ${found.length} in ${(performance.now() - began).toFixed(0)} ms (at most 6000)`,
    );
  }
}

benchLarge();
benchSongs();
