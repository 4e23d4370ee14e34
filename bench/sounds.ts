/** The figures of the Sounds room: how long an exact plan of banks takes, without a limit of banks and with a tight one. */
import { unwrap } from "../src/base";
import { readChordText, versionOfSheet } from "../src/core/formats";
import { bandSheet } from "../src/core/parts";
import { add, type VersionCommand } from "../src/core/song/edit";
import { outlineOf, timelineOf } from "../src/core/song/read";
import { DOCUMENTS, EMPTY_CELL, type VersionBody } from "../src/core/song/schema";
import { planTones, songTones, toneFindings, tonePresses } from "../src/core/sounds";
import { applyEdit } from "../src/document";
import { sampleVersion } from "../testing/song/sample-version";
import { madeUpTones, numbersFrom } from "../testing/sounds/sample-case";
import { largeSheet, quantiles } from "./large-song.mjs";

const ms = (time: number): string => time.toFixed(1);

function measure(
  name: string,
  rounds: number,
  makeCase: (seed: number) => ReturnType<typeof madeUpTones>,
  limit: string,
): void {
  const times: number[] = [];
  let inexact = 0;
  let gap = 0;
  for (let seed = 1; seed <= rounds; seed++) {
    const asked = makeCase(seed);
    const from = performance.now();
    const planned = planTones(asked);
    times.push(performance.now() - from);
    if (!planned.ok || planned.value.exact) continue;
    inexact++;
    gap = Math.max(gap, planned.value.exposed - planned.value.bound!.exposed);
  }
  const { median, p95, most } = quantiles(times);
  console.log(
    `${name}: median ${ms(median)} ms, p95 ${ms(p95)}, slowest of ${rounds} ${ms(most)} (${limit}); not exact ${inexact}${inexact > 0 ? `, at most ${gap} exposed changes over their bound` : ""}`,
  );
}

const SHAPE = { sections: 24, tones: 10 } as const;
const LANDINGS = ["saved", "same-slot"] as const;
const COVERED = [0, 30, 60, 100] as const;

measure(
  "warm up",
  40,
  (seed) => madeUpTones(numbersFrom(seed), { ...SHAPE, covered: 30, board: {} }),
  "no limit",
);
for (const landing of LANDINGS)
  for (let slotsPerBank = 2; slotsPerBank <= 8; slotsPerBank++)
    measure(
      `24 sections, 10 tones, banks of ${slotsPerBank}, ${landing}, no limit`,
      60,
      (seed) =>
        madeUpTones(numbersFrom(seed), {
          ...SHAPE,
          covered: COVERED[seed % COVERED.length]!,
          pins: seed % 3,
          board: { slotsPerBank, landing, change: seed % 2 === 0 ? "direct" : "arm-go" },
        }),
      "median 20, at most 200",
    );
for (const more of [0, 1])
  for (const landing of LANDINGS)
    for (const slotsPerBank of [2, 3, 4, 6])
      measure(
        `the same, banks of ${slotsPerBank}, ${landing}, at most ${Math.ceil(10 / slotsPerBank) + more}`,
        8,
        (seed) =>
          madeUpTones(numbersFrom(seed), {
            ...SHAPE,
            covered: COVERED[seed % COVERED.length]!,
            board: { slotsPerBank, landing, maxBanks: Math.ceil(10 / slotsPerBank) + more },
          }),
        "at most 2000",
      );

/** What the screen does after each edit: a song of 24 sections read as a case, with presses and findings. */
function measureReading(): void {
  let count = 0;
  const makeId = () => `id${count++}`;
  let body: VersionBody = versionOfSheet(
    readChordText(largeSheet(24)),
    { name: "Bench", kind: "sheet" },
    makeId,
  );
  const [player] = Object.values(sampleVersion({}, [], [{}]).players);
  const act = (command: VersionCommand) => {
    body = unwrap(applyEdit(DOCUMENTS.version, body, command)).body;
  };
  act(add("players", player!));
  for (let at = 0; at < 10; at++)
    act(
      add("sounds", {
        id: `s${at}`,
        originId: null,
        order: `V${at}`,
        playerId: "p0",
        name: `S${at}`,
        fromId: null,
        said: { drive: at % 4 },
        note: "",
      }),
    );
  for (const [at, useId] of Object.keys(body.uses).entries())
    act(add("cells", { ...EMPTY_CELL, id: `c${at}`, useId, playerId: "p0", sound: `S${(at * 7) % 10}` }));
  const outline = outlineOf(body);
  const timeline = timelineOf(body, outline);
  const sheet = bandSheet(body, outline, timeline);
  const times = { reading: [] as number[], telling: [] as number[] };
  for (let round = 0; round < 60; round++) {
    const from = performance.now();
    const song = songTones(body, sheet, timeline, player!);
    times.reading.push(performance.now() - from);
    const plan = unwrap(planTones(song.asked!));
    const then = performance.now();
    tonePresses(song, plan);
    toneFindings(song, plan);
    times.telling.push(performance.now() - then);
  }
  const say = (list: number[]) => {
    const { median, p95 } = quantiles(list);
    return `median ${ms(median)} ms, p95 ${ms(p95)}`;
  };
  console.log(
    `24 sections read as a case: ${say(times.reading)}; presses and findings: ${say(times.telling)}`,
  );
}
measureReading();
