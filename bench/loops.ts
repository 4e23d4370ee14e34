/** The figures of the Loops room: how long an exact plan takes, and what the trade adds. */
import { unwrap } from "../src/base";
import { readChordText, versionOfSheet } from "../src/core/formats";
import { addLayer, eventsOf, loopFindings, mixEvents, planLoops, setBox, songLoops } from "../src/core/loops";
import type { VersionCommand } from "../src/core/song/edit";
import { outlineOf, timelineOf } from "../src/core/song/read";
import type { VersionBody } from "../src/core/song/schema";
import { DOCUMENTS } from "../src/core/song/schema";
import { applyEdit } from "../src/document";
import { knocks } from "../testing/loops/knocks";
import { caseOf, layerOf, madeUpCase, numbersFrom, sectionOf } from "../testing/loops/sample-case";
import { largeSheet, quantiles } from "./large-song.mjs";

function measure(
  name: string,
  shape: Parameters<typeof madeUpCase>[1],
  trade: boolean,
  rounds: number,
): void {
  const times: number[] = [];
  let inexact = 0;
  let dearest = 0;
  for (let seed = 1; seed <= rounds; seed++) {
    const asked = madeUpCase(numbersFrom(seed), shape);
    const from = performance.now();
    const planned = planLoops(asked, { trade });
    times.push(performance.now() - from);
    if (!planned.ok) continue;
    if (!unwrap(planned).exact) inexact++;
    dearest = Math.max(dearest, planned.value.footCost);
  }
  const { median, p95, most } = quantiles(times);
  const ms = (time: number) => time.toFixed(1);
  console.log(
    `${name}: median ${ms(median)} ms, p95 ${ms(p95)}, slowest of ${rounds} ${ms(most)}; not exact ${inexact}; dearest foot cost ${dearest}`,
  );
}

measure("warm up", { layers: 8, tracks: 5, sections: 60, either: 50 }, false, 5);
for (const either of [0, 20, 40, 60, 80, 90, 97])
  measure(
    `8 layers, 5 tracks, 60 sections, ${either} % either, plan`,
    { layers: 8, tracks: 5, sections: 60, either },
    false,
    20,
  );
for (const either of [20, 60, 80])
  measure(
    `5 layers, 3 tracks, 20 sections, ${either} % either, with trade`,
    { layers: 5, tracks: 3, sections: 20, either },
    true,
    40,
  );
for (const either of [20, 60, 80, 95])
  measure(
    `8 layers, 5 tracks, 60 sections, ${either} % either, with trade`,
    { layers: 8, tracks: 5, sections: 60, either },
    true,
    5,
  );

/** Onsets in samples: where sound begins again after a moment of silence. */
function onsetsIn(samples: Float32Array, rate: number): number[] {
  const onsets: number[] = [];
  const calm = Math.round(0.02 * rate);
  let quiet = calm;
  for (let at = 0; at < samples.length; at++) {
    if (Math.abs(samples[at]!) < 0.004) quiet++;
    else {
      if (quiet >= calm) onsets.push(at / rate);
      quiet = 0;
    }
  }
  return onsets;
}

/** Ten minutes of a plan, rendered; what is heard against what the plan says, each bar of each run counted by hand. */
function measureOnsets(): void {
  const rate = 44_100;
  const asked = caseOf({
    tempo: 97.3,
    layers: [layerOf("thump", { bars: 1 }), layerOf("clap", { bars: 1 })],
    sections: Array.from({ length: 27 }, (_, at) =>
      sectionOf(`s${at}`, 9, at % 3 === 1 ? "clap:on" : "thump:on clap:on"),
    ),
  });
  const plan = unwrap(planLoops(asked, { trade: false }));
  const heard = (["thump", "clap"] as const).map((id) => ({
    id,
    plays: id,
    hits: knocks(id === "thump" ? [0, 2] : [1, 3]),
    level: -3,
  }));
  const beat = 60 / asked.tempo;
  const seconds = 27 * 9 * 4 * beat;
  const from = performance.now();
  const samples = mixEvents(eventsOf(asked, plan, heard), seconds, rate);
  const took = performance.now() - from;
  // Thump on beats 1 and 3, clap on 2 and 4; every third section has no thump.
  const wanted = Array.from({ length: 27 * 36 }, (_, at) => at).filter(
    (at) => at % 2 === 1 || Math.floor(at / 36) % 3 !== 1,
  );
  const found = onsetsIn(samples, rate);
  const off = wanted.map(
    (at, index) => Math.abs((found[index] ?? Number.POSITIVE_INFINITY) - at * beat) * 1000,
  );
  console.log(
    `simulator: ${Math.round(seconds)} s rendered in ${Math.round(took)} ms, ${found.length} onsets of ${wanted.length}, farthest from the plan ${Math.max(...off).toFixed(4)} ms (at most 1)`,
  );
}

/** Reading a song of 60 sections with 8 layers as a case, findings included: what the screen does after each edit. */
function measureReading(): void {
  let count = 0;
  const makeId = () => `id${count++}`;
  const base = versionOfSheet(readChordText(largeSheet(60)), { name: "Bench", kind: "sheet" }, makeId);
  const uses = Object.keys(base.uses);
  let body: VersionBody = base;
  const act = (command: VersionCommand) => {
    body = unwrap(applyEdit(DOCUMENTS.version, body, command)).body;
  };
  act(setBox(body, { tracks: 5, allStart: true, allStop: true }, makeId));
  for (let layer = 0; layer < 8; layer++) {
    const wants = uses.filter((_, at) => (at + layer) % 3 > 0).map((useId) => ({ useId, from: 0, to: null }));
    act(addLayer(body, { name: `L${layer}`, bars: 2 + (layer % 2) * 2 }, makeId, wants));
  }
  const outline = outlineOf(body);
  const timeline = timelineOf(body, outline);
  const times: { reading: number[]; telling: number[]; finding: number[] } = {
    reading: [],
    telling: [],
    finding: [],
  };
  const timed = <Value>(into: number[], work: () => Value): Value => {
    const from = performance.now();
    const value = work();
    into.push(performance.now() - from);
    return value;
  };
  const plan = unwrap(planLoops(songLoops(body, outline, timeline).asked!, { trade: false }));
  for (let round = 0; round < 60; round++) {
    const song = timed(times.reading, () => songLoops(body, outline, timeline));
    timed(times.telling, () => JSON.stringify(song.asked));
    timed(times.finding, () => loopFindings(song, plan));
  }
  const say = (list: number[]) => {
    const { median, p95, most } = quantiles(list);
    return `median ${median.toFixed(1)}, p95 ${p95.toFixed(1)}, slowest ${most.toFixed(1)} ms`;
  };
  console.log(
    `a song of 60 sections and 8 layers: read as a case ${say(times.reading)}; written out for the worker ${say(times.telling)}; findings ${say(times.finding)}`,
  );
}

measureReading();
measureOnsets();
