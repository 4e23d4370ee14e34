import { unwrap } from "../../src/base";
import { bitsOf } from "../../src/core/loops";
import { planTones, type ToneCase } from "../../src/core/sounds";
import type { StageFeet, StageLoops, StageTone } from "../../src/core/stage/feet/stage-feet";
import type { LivePassage } from "../../src/core/stage/score";
import { samplePassage } from "./sample-live";

const BEAT = 960;
const BAR = 3840;

export type SampleFeet = { readonly passages: readonly LivePassage[]; readonly feet: StageFeet };

const moment = (tick: number) => ({ tick, place: `bar ${tick / BAR + 1}, beat 1`, words: "" });

/** A made-up song of a beat a second, with a box of sounds and a looper, the same for the same numbers. */
export function madeUpFeet(below: (below: number) => number): SampleFeet {
  const passages = Array.from({ length: 3 + below(4) }, (_, at) => samplePassage(`s${at} 0`, 2 + below(5)));
  const tones: Record<string, StageTone> = {};
  for (const { id, ticks } of passages) {
    if (below(6) === 0) continue;
    const begins = below(3) === 0 ? BEAT * below(4) : 0;
    const ends = below(3) === 0 ? ticks - BEAT * (1 + below(3)) : ticks;
    tones[id] = { tone: "abcde"[below(5)]!, begins: moment(begins), ends: moment(ends) };
  }
  const heard = Object.entries(tones);
  const board = {
    slotsPerBank: 1 + below(3),
    gapMs: 300,
    landing: below(3) === 0 ? "same-slot" : "saved",
    change: below(3) === 0 ? "direct" : "arm-go",
    maxBanks: null,
  } satisfies ToneCase["board"];
  const sections = heard.map(([id, { tone }]) => ({ id, tone, restBeforeMs: below(2) * 400 }));
  const plan = sections.length === 0 ? null : unwrap(planTones({ board, sections, pins: [] }));
  return { passages, feet: { box: plan && boxOf(), pedals: null, looper: looperFor(passages, below) } };

  function boxOf() {
    const { bank, slot } = plan!.steps[0]!;
    return { board, firstBank: 0, twoSwitches: false, banks: plan!.banks, start: { bank, slot }, tones };
  }
}

/** Two to four tracks of one, two or four bars; what sounds changes from section to section. */
function looperFor(passages: readonly LivePassage[], below: (below: number) => number): StageFeet["looper"] {
  const tracks = 2 + below(3);
  const recorded = (1 << tracks) - 1;
  const lengths = Array.from({ length: tracks }, () => [1, 2, 4][below(3)]! * BAR);
  const wanted = passages.map(() => below(recorded + 1));
  const starts = passages.map((_, at) => passages.slice(0, at).reduce((sum, { ticks }) => sum + ticks, 0));
  const loops: Record<string, readonly StageLoops[]> = {};
  for (const [at, { id }] of passages.entries()) {
    const begun = lengths.map((_, track) => {
      let run = at;
      while (run > 0 && bitsOf(wanted[at]!).includes(track) && bitsOf(wanted[run - 1]!).includes(track))
        run--;
      return starts[run]! - starts[at]!;
    });
    loops[id] = [{ from: 0, sounding: wanted[at]!, begun, at: moment(0) }];
  }
  return {
    looper: { allStart: below(2) === 0, allStop: below(2) === 0, quantised: false },
    names: lengths.map((_, track) => `layer ${track}`),
    lengths,
    pitched: below(recorded + 1),
    recorded,
    before: 0,
    loops,
    build: null,
  };
}
