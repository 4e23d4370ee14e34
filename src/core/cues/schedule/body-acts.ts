import type { Ticks } from "../../../base";
import type { Moment } from "../../song/moments";
import type { SongTones } from "../../sounds";
import type { Cue } from "../cue";
import type { Act, BodyPartUsed } from "./body-plan";
import type { ChordChange } from "./chord-changes";

/** An act with where it comes from, so that it can be told. */
export type BodyAct = Act & {
  readonly text: string;
  readonly tick: Ticks;
  readonly moment: Moment;
  readonly label: string;
  /** The cue it comes from; null for what is played and sung. */
  readonly cue: Cue | null;
};

/** How long acts take, ms. Ours, no source: a practised hand, in fair light. */
const ACT_MS = Object.freeze({
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
 * What one person does with hands, feet and mouth through a song: changes of chord, presses, capo, knobs, signs they give,
 * the words they sing and the strokes they play. A press in a rest may come while the rest still covers what it does, a
 * bank is armed any time in its window; a left hand leaves a shape after its last stroke.
 * @param song the song as this player's box sees it: when they are heard, and the rests between
 * @param cues every cue of the song
 * @param changes of the left hand, where its way is planned
 */
export function bodyActs(
  song: SongTones,
  cues: readonly Cue[],
  changes: readonly ChordChange[] = [],
): BodyAct[] {
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
    cue: Cue | null = null,
  ) =>
    acts.push({
      id: `${acts.length}`,
      text,
      takes,
      ms: length,
      from: window[0],
      until: window[1],
      tick,
      moment: clock.momentAt(tick),
      label,
      cue,
    });
  const restAt = (useId: string) => song.soundUses.find(({ span }) => span.use.id === useId)?.rest;
  for (const cue of cues) {
    const at = ms(cue.tick);
    const isOwn = cue.playerId === player.id;
    if (cue.kind === "press" && isOwn) {
      const rest = restAt(cue.useId);
      const inRest = rest && cue.tick >= rest.from && cue.tick < rest.to;
      const until = inRest ? ms(rest.to) : at + ACT_MS.press + TOLERANCE_MS;
      const from = cue.mayFrom === null ? at - TOLERANCE_MS : ms(cue.mayFrom);
      const window = [from, Math.max(until, at + ACT_MS.press)] as const;
      put(cue.text, ["feet"], ACT_MS.press, cue.tick, cue.label, window, cue);
    }
    if (cue.kind === "capo" && isOwn) {
      const rest = restAt(cue.useId);
      const window = [rest ? ms(rest.from) : at, rest ? ms(rest.to) : at] as const;
      put(cue.text, BOTH_HANDS, ACT_MS.capo, cue.tick, cue.label, window, cue);
    }
    if (cue.kind === "move" && isOwn && cue.byHand)
      put(cue.text, ["right hand"], ACT_MS.knob, cue.tick, cue.label, [at, at + 4 * ACT_MS.knob], cue);
    if (cue.own && cue.own.giverId === player.id) {
      const { sign } = cue.own;
      const text = `gives “${cue.text}”`;
      const given = (part: BodyPartUsed, length: number) =>
        put(text, [part], length, cue.tick, cue.label, [at - 2 * length, at], cue);
      if (sign === "spoken") given("mouth", ACT_MS.spoken);
      if (sign === "hand sign") given("right hand", ACT_MS.handSign);
      if (sign === "nod") given("eyes", ACT_MS.nod);
    }
  }
  if (player.sings)
    for (const [at, { tick, text }] of clock.words.entries()) {
      const next = clock.words[at + 1];
      const length = Math.min(ACT_MS.word, next ? ms(next.tick) - ms(tick) : ACT_MS.word);
      // Words that nobody has given beats of their own come together.
      if (length > 0) put(`sings “${text}”`, ["mouth"], length, tick, "", [ms(tick), ms(tick) + length]);
    }
  for (const { heard, span } of song.soundUses)
    for (const { from } of heard)
      put("plays", ["right hand"], ACT_MS.stroke, from, span.label, [
        ms(from) - TOLERANCE_MS,
        ms(from) + ACT_MS.stroke,
      ]);
  const strokes = song.soundUses.flatMap(({ heard, span }) => heard.map(({ from }) => ({ from, span })));
  for (const change of changes) {
    const last = strokes.findLast(({ from }) => from < change.tick);
    const next = strokes.find(({ from }) => from >= change.tick);
    // A shape that is not struck any more is nobody's hurry.
    if (!next) continue;
    const from = last ? ms(last.from) : ms(change.tick) - 2 * change.ms;
    const until = Math.max(ms(next.from) + TOLERANCE_MS, from + TOLERANCE_MS);
    put(`${change.from} to ${change.to}`, ["left hand"], change.ms, change.tick, next.span.label, [
      from,
      until,
    ]);
  }
  return acts;
}
