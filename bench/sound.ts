/** The figures of what sounds: the demo's songs rendered whole, and ten minutes of one of them. */
import { demoDocuments } from "../src/server/songs/demo";
import { renderSong } from "../testing/sound/render-song";

const BANK = "public/sounds.sf3";
const TEN_MINUTES = 600;
const versions = (await demoDocuments()).flatMap((one) => (one.kind === "version" ? [one.body] : []));

let peak = 0;
let slowest = 0;
let worst = 0;
const speeds: number[] = [];
for (const body of versions) {
  const one = await renderSong(body, BANK, Number.POSITIVE_INFINITY);
  peak = Math.max(peak, one.peak);
  slowest = Math.max(slowest, one.slowestMs);
  worst = Math.max(worst, one.worstMs);
  speeds.push(one.timesRealTime);
}
console.log(
  `${versions.length} demo versions rendered whole: loudest sample ${peak.toFixed(2)} of full scale (below 1), onsets off by at most ${worst.toFixed(3)} ms (1), ${Math.min(...speeds).toFixed(1)} to ${Math.max(...speeds).toFixed(1)} times real time; a few bars of all players told in at most ${slowest.toFixed(0)} ms (50)`,
);
const [first] = versions;
const long = await renderSong(first!, BANK, TEN_MINUTES, true);
console.log(
  `ten minutes round and round: ${long.onsets} notes, off by at most ${long.worstMs.toFixed(3)} ms (1)`,
);
