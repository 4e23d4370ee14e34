import {
  driftInside,
  type FirstTake,
  judgeTake,
  type LoopPlan,
  layerName,
  priceOfAgain,
  type Take,
  type TakeVerdict,
  tellDrift,
  tellTake,
} from "@/core/loops";
import type { ShownPlan } from "../use-loops";

/** A take of the build with what became of it, in words. */
export type JudgedTake = {
  readonly id: string;
  readonly layers: string;
  readonly pass: number;
  readonly verdict: TakeVerdict;
  readonly words: string;
  /** How the tempo was held inside it; "" where nobody tapped along. */
  readonly drift: string;
  /** What another try costs, and when to leave the layer out; "" for a clean take. */
  readonly again: string;
};

type Pass = LoopPlan["build"]["passes"][number];

/** The pass of the build a take was of. */
export const passOfTake = (passes: readonly Pass[], { layers }: Pick<Take, "layers">): number =>
  passes.findIndex((pass) => pass.layers.some((layer) => layers.includes(layer)));

/** The bars in which a pass is wanted, over the whole song. */
const wantedBars = ({ song }: ShownPlan, { layers }: Pass): number =>
  song.asked!.sections.reduce(
    (sum, { bars, want }) => sum + (layers.some((layer) => want[layer] === "on") ? bars : 0),
    0,
  );

/**
 * The takes of a build, each judged at its close.
 * @param takes s from the first downbeat of the click
 * @param taps of the beat, of the same clock
 */
export function judgedTakes(shown: ShownPlan, takes: readonly Take[], taps: readonly number[]): JudgedTake[] {
  const { song, plan } = shown;
  const { tempo, beatsPerBar } = song.asked!;
  const { passes } = plan.build;
  const barSeconds = (beatsPerBar * 60) / tempo;
  let first: FirstTake | null = null;
  return takes.flatMap((take, index): JudgedTake[] => {
    const at = passOfTake(passes, take);
    const pass = passes[at];
    if (!pass) return [];
    const asked = {
      bars: pass.bars,
      barSeconds,
      beatsPerBar,
      origin: 0,
      sharedLength: song.box.sharedLength,
    };
    const verdict = judgeTake(take, asked, first);
    const beat = first
      ? (first.take.until - first.take.since) / first.bars / beatsPerBar
      : barSeconds / beatsPerBar;
    const drift = driftInside(take, taps, beat);
    const left = passes.slice(at + 1).reduce((sum, { bars }) => sum + bars * barSeconds, 0);
    const price = priceOfAgain(asked, first, take.until + barSeconds, left);
    const wanted = wantedBars(shown, pass);
    const names = pass.layers.map((id) => layerName(song, id)).join(" with ");
    const again = verdict.isClean
      ? ""
      : price.isTooLong
        ? `Again costs ${Math.round(price.seconds)} s, and the room waits long: leave ${names} out rather, it is wanted in ${wanted} bars.`
        : `Take it back and again: ${Math.round(price.seconds)} s.`;
    first ??= { take, bars: pass.bars };
    return [
      {
        id: `${index} ${take.since}`,
        layers: names,
        pass: at,
        verdict,
        words: tellTake(verdict, tempo),
        drift: drift ? tellDrift(drift) : "",
        again,
      },
    ];
  });
}
