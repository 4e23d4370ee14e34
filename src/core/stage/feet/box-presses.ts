import { liveTone, soundOf, type ToneAct, type TonePlace } from "../../sounds";
import { barToMend, type FeetPlace, msOfTicks } from "./feet-place";
import type { FeetPress, StageBox, StageTone } from "./stage-feet";
import { tellWhen } from "./tell-when";

/** What is pressed on a box from where it really stands: what mends the sound that is on, and the next change that comes. */
export function boxPresses(box: StageBox, from: TonePlace, place: FeetPlace): FeetPress[] {
  const { passages, here } = place;
  const { board, banks, tones } = box;
  const passage = here && passages[here.index];
  const present = (passage && tones[passage.id]) || null;
  const presses: FeetPress[] = [];
  let at = from;
  if (here && passage && present && here.tick < present.ends.tick) {
    const move = soundOf(at, banks) === present.tone ? null : liveTone(board, banks, at, present.tone, 0);
    if (move && move.acts.length > 0) {
      // Before the first note it is the change as it was told; after it, it is to be mended.
      const isChange = here.tick < present.begins.tick;
      const due = isChange
        ? { tick: present.begins.tick, kind: "change" as const, when: tellWhen(present.begins) }
        : { tick: barToMend(passage, here.tick, here.leave), kind: "mend" as const, when: "" };
      for (const act of move.acts)
        presses.push({ ...press(act, move.exposed), ...due, passage: passage.id, ahead: false });
      at = { ...move.to, armed: null };
    }
  }
  return [...presses, ...nextChange(box, at, place, present)];
}

/** The presses at the next change along the form, from a place of the box. */
function nextChange(box: StageBox, at: TonePlace, place: FeetPlace, present: StageTone | null): FeetPress[] {
  const { passages, here, next } = place;
  const { board, banks, tones } = box;
  // How long the player has been silent before what comes, and where that begins.
  const left = here ? Math.max(0, here.leave - (present?.ends.tick ?? 0)) : 0;
  let silentMs = here ? msOfTicks(passages[here.index]!, left, place) : Number.POSITIVE_INFINITY;
  let ends =
    here && present && present.ends.tick < here.leave ? { index: here.index, ...present.ends } : null;
  let [before, leave] = here ? [here.index, here.leave] : [null, 0];
  for (let index = next ?? passages.length; index < passages.length; index++) {
    const passage = passages[index]!;
    const tone = tones[passage.id];
    if (tone) {
      const restMs = silentMs + msOfTicks(passage, tone.begins.tick, place);
      const move = liveTone(board, banks, at, tone.tone, restMs);
      if (move && move.acts.length > 0) {
        const isCovered =
          !move.exposed && ends !== null && (ends.index !== here?.index || ends.tick > here.tick);
        const change = isCovered
          ? { passage: passages[ends!.index]!.id, tick: ends!.tick, ahead: ends!.index !== here?.index }
          : { passage: passage.id, tick: tone.begins.tick, ahead: true };
        const when = isCovered ? `in the rest ${tellWhen(ends!)}` : tellWhen(tone.begins);
        return move.acts.map((act): FeetPress => {
          if (act.do === "arm" && before !== null) {
            const go = isCovered ? ends! : { index: before, tick: leave };
            return { ...press(act, move.exposed), ...readyAt(place, go, passage.label) };
          }
          return { ...press(act, move.exposed), kind: "change", when, ...change };
        });
      }
      silentMs = 0;
      ends = { index, ...tone.ends };
    }
    silentMs += msOfTicks(passage, passage.ticks - (tone?.ends.tick ?? 0), place);
    [before, leave] = [index, passage.ticks];
    if (tone && tone.ends.tick >= passage.ticks) ends = null;
  }
  return [];
}

const press = (act: ToneAct, heard: boolean) => ({ foot: "box", act, heard }) as const;

/** A bank is armed at the latest a beat before it is let go. */
function readyAt(
  { passages, here }: FeetPlace,
  go: { readonly index: number; readonly tick: number },
  label: string,
): Pick<FeetPress, "kind" | "passage" | "tick" | "ahead" | "when"> {
  const { id, beat } = passages[go.index]!;
  return {
    kind: "change",
    passage: id,
    tick: Math.max(0, go.tick - beat),
    ahead: go.index !== here?.index,
    when: `before ${label}`,
  };
}
