import type { Ticks } from "../../../base";
import {
  buildSheet,
  hasLoopBox,
  heldShapes,
  type LoopPlan,
  maskOf,
  recordedTracks,
  runsOf,
  type SongLoops,
  soundingBefore,
} from "../../loops";
import { clockOf, type SongClock, tellUnder, tellWord } from "../../song/moments";
import type { Passage } from "../../song/read";
import type { VersionBody } from "../../song/schema";
import { boardOf, hasSoundBox, type SongTones, type SoundUse, songPedals, type TonePlan } from "../../sounds";
import { passageId } from "../score";
import type {
  FeetMoment,
  StageBox,
  StageFeet,
  StageLooper,
  StageLoops,
  StagePedals,
  StageTone,
} from "./stage-feet";

/** What has been planned for one player's feet; null for what they do not have. */
export type PlannedFeet = {
  readonly tones: { readonly song: SongTones; readonly plan: TonePlan | null } | null;
  readonly loops: { readonly song: SongLoops; readonly plan: LoopPlan } | null;
};

/**
 * What a player's feet need to follow a song wherever it goes; null where nobody has described a box of theirs, or nothing
 * is pressed on it.
 */
export function feetOfSong(
  body: Pick<VersionBody, "soundBoxes" | "loopBoxes" | "loopLayers" | "version" | "players">,
  playerId: string,
  { tones, loops }: PlannedFeet,
): StageFeet | null {
  const own = tones && hasSoundBox(body, playerId) ? tones : null;
  const isPedals = own?.song.box.kind === "pedals";
  const feet: StageFeet = {
    box: own && !isPedals && own.plan ? boxOfSong(own.song, own.plan) : null,
    pedals: own && isPedals ? pedalsOfSong(own.song) : null,
    looper: loops && hasLoopBox(body) ? looperOfSong(loops.song, loops.plan, heldShapes(body)) : null,
  };
  return feet.box || feet.pedals || feet.looper ? feet : null;
}

/** A tick of the song as a moment of one time through a section. */
function momentIn(clock: SongClock, passage: Passage, tick: Ticks): FeetMoment {
  const moment = clock.momentAt(tick);
  return { tick: tick - passage.tick, place: tellUnder(moment, passage.use.id), words: tellWord(moment) };
}

/** Each time through a section in which a player is heard, with the first moment and the last. */
function heardPassages(
  { clock }: SongTones,
  { span, heard }: SoundUse,
): { readonly id: string; readonly begins: FeetMoment; readonly ends: FeetMoment }[] {
  return span.passages.flatMap((passage) => {
    const [from, to] = [passage.tick, passage.tick + passage.ticks];
    const inside = heard.filter((one) => one.from >= from && one.from < to);
    const [first] = inside;
    if (!first) return [];
    const last = Math.min(to, Math.max(...inside.map((one) => one.to)));
    return [
      {
        id: passageId(passage),
        begins: momentIn(clock, passage, first.from),
        ends: momentIn(clock, passage, last),
      },
    ];
  });
}

function boxOfSong(song: SongTones, { banks, steps }: TonePlan): StageBox {
  const { box, soundUses } = song;
  const tones: Record<string, StageTone> = {};
  for (const soundUse of soundUses)
    if (soundUse.sound !== null)
      for (const { id, ...heard } of heardPassages(song, soundUse))
        tones[id] = { tone: soundUse.sound, ...heard };
  const { bank, slot } = steps[0] ?? { bank: 0, slot: 0 };
  return {
    board: boardOf(box),
    firstBank: box.firstBank,
    twoSwitches: box.twoSwitches,
    banks,
    start: { bank, slot },
    tones,
  };
}

function pedalsOfSong(song: SongTones): StagePedals {
  const { plan } = songPedals(song);
  const byUse = new Map(song.soundUses.map((soundUse) => [soundUse.span.use.id, soundUse]));
  const on: Record<string, StagePedals["on"][string]> = {};
  const effects = new Set(plan.boundaries.flatMap(({ press }) => press));
  let present: readonly string[] = [];
  for (const { before, press } of plan.boundaries) {
    present = [...effects].filter((effect) => present.includes(effect) !== press.includes(effect));
    for (const { id, begins } of heardPassages(song, byUse.get(before)!))
      on[id] = { effects: present, begins };
  }
  return { effects: [...effects], on };
}

function looperOfSong(
  song: SongLoops,
  plan: LoopPlan,
  held: ReadonlyMap<string, readonly string[]>,
): StageLooper | null {
  const { asked, pieces, spans, layers, barTicks } = song;
  if (!asked) return null;
  const clock = clockOf(spans);
  const runs = runsOf(asked, plan);
  const rowOf = new Map(layers.map((layer) => [layer.id, layer]));
  const barsOf = new Map(asked.layers.map(({ id, bars }) => [id, bars]));
  const loops: Record<string, StageLoops[]> = {};
  for (const [at, piece] of pieces.entries())
    for (const passage of piece.span.passages) {
      const from = Math.max(piece.from, passage.tick);
      if (from >= Math.min(piece.to, passage.tick + passage.ticks)) continue;
      const begun = plan.tracks.map((_, track) => {
        const run = runs.find((one) => one.track === track && one.from <= at && at < one.to);
        return (run ? pieces[run.since]!.from : from) - passage.tick;
      });
      const before = loops[passageId(passage)] ?? [];
      loops[passageId(passage)] = [
        ...before,
        {
          from: from - passage.tick,
          sounding: maskOf(plan.states[at] ?? []),
          begun,
          at: momentIn(clock, passage, from),
        },
      ];
    }
  const recorded = recordedTracks(plan.tracks);
  const { tracks: _tracks, ...looper } = asked.looper;
  return {
    looper,
    names: plan.tracks.map((ids) => ids.map((id) => rowOf.get(id)?.name ?? id).join(", ")),
    lengths: plan.tracks.map((ids) => Math.max(0, ...ids.map((id) => barsOf.get(id) ?? 0)) * barTicks),
    pitched: maskOf(
      plan.tracks.flatMap((ids, track) =>
        ids.some((id) => rowOf.get(id)?.pitch === "pitched") ? [track] : [],
      ),
    ),
    recorded,
    before: soundingBefore(asked, recorded),
    loops,
    build: buildSheet(song, plan, held),
  };
}
