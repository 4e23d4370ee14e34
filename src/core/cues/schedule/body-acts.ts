import type { Ticks } from "../../base";
import type { SongTones } from "../../tones";
import type { Cue } from "../cue";
import type { Act, BodyPartUsed } from "./body-plan";

/** An act with where it comes from, so that it can be told. */
export type BodyAct = Act & {
  readonly text: string;
  readonly tick: Ticks;
  readonly bar: number;
  readonly beat: number;
  readonly label: string;
};

/** How long acts take, ms. Ours, no source: a practised hand, in fair light. */
export const ACT_MS = Object.freeze({
  press: 300,
  capo: 4000,
  knob: 500,
  stroke: 120,
  word: 150,
  spoken: 900,
  handSign: 700,
  nod: 300,
});

/** How far from its time something that is due on a beat may be, ms. Ours, no source. */
const TOLERANCE_MS = 120;

const BOTH_HANDS: readonly BodyPartUsed[] = ["left hand", "right hand"];

/**
 * What one person does with hands, feet and mouth through a song: presses, capo, knobs, signs they give, the words they
 * sing and the strokes they play. A press in a rest may come while the rest still covers what it does.
 * @param song the song as this player's box sees it: when they are heard, and the rests between
 * @param cues every cue of the song
 */
export function bodyActs(song: SongTones, cues: readonly Cue[]): BodyAct[] {
  const { player, clock } = song;
  const ms = (tick: Ticks): number => clock.secondsAt(tick) * 1000;
  const acts: BodyAct[] = [];
  const put = (
    text: string,
    takes: readonly BodyPartUsed[],
    length: number,
    tick: Ticks,
    label: string,
    window: readonly [from: number, until: number],
  ) =>
    acts.push({
      id: `${acts.length}`,
      text,
      takes,
      ms: length,
      from: window[0],
      until: window[1],
      tick,
      ...clock.barAt(tick),
      label,
    });
  const restAt = (useId: string) => song.stretches.find(({ span }) => span.use.id === useId)?.rest;
  for (const cue of cues) {
    const at = ms(cue.tick);
    const isOwn = cue.playerId === player.id;
    if (cue.kind === "press" && isOwn) {
      const rest = restAt(cue.useId);
      const inRest = rest && cue.tick >= rest.from && cue.tick < rest.to;
      const until = inRest ? ms(rest.to) : at + ACT_MS.press + TOLERANCE_MS;
      put(cue.text, ["feet"], ACT_MS.press, cue.tick, cue.label, [
        at - TOLERANCE_MS,
        Math.max(until, at + ACT_MS.press),
      ]);
    }
    if (cue.kind === "capo" && isOwn) {
      const rest = restAt(cue.useId);
      put(cue.text, BOTH_HANDS, ACT_MS.capo, cue.tick, cue.label, [
        rest ? ms(rest.from) : at,
        rest ? ms(rest.to) : at,
      ]);
    }
    if (cue.kind === "move" && isOwn && cue.byHand)
      put(cue.text, ["right hand"], ACT_MS.knob, cue.tick, cue.label, [at, at + 4 * ACT_MS.knob]);
    if (cue.own && cue.own.giverId === player.id) {
      const { sign } = cue.own;
      const text = `gives “${cue.text}”`;
      if (sign === "spoken")
        put(text, ["mouth"], ACT_MS.spoken, cue.tick, cue.label, [at - 2 * ACT_MS.spoken, at]);
      if (sign === "hand sign")
        put(text, ["right hand"], ACT_MS.handSign, cue.tick, cue.label, [at - 2 * ACT_MS.handSign, at]);
      if (sign === "nod") put(text, ["eyes"], ACT_MS.nod, cue.tick, cue.label, [at - 2 * ACT_MS.nod, at]);
    }
  }
  if (player.sings)
    for (const { tick, text } of clock.words)
      put(`sings “${text}”`, ["mouth"], ACT_MS.word, tick, "", [ms(tick), ms(tick) + ACT_MS.word]);
  for (const { heard, span } of song.stretches)
    for (const { from } of heard)
      put("plays", ["right hand"], ACT_MS.stroke, from, span.label, [
        ms(from) - TOLERANCE_MS,
        ms(from) + ACT_MS.stroke,
      ]);
  return acts;
}
