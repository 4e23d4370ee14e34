import type { Ticks } from "../../../base";

import type { BandSheet, SheetPart } from "../../parts";
import { ticksOfBeatUnit } from "../../rhythm";
import { clockOf, type SongClock } from "../../song/moments";
import { spansOfForm, type Timeline, type UseSpan, versionRow } from "../../song/read";
import type { Player, SlotPin, Sound, SoundBox, SoundMoves, VersionBody } from "../../song/schema";
import type { ToneBoard, ToneCase } from "../plan";
import { type Settings, settingsOf, soundsOf } from "../sound";
import { type Heard, heardIn } from "./heard";
import { type Rest, restBetween } from "./rest";
import { soundBoxOf } from "./sound-boxes";

/** A use of a section in which a player plays, with the sound the sheet names. */
export type SoundUse = {
  readonly span: UseSpan;
  readonly part: SheetPart;
  /** What the sheet calls the sound; "" where it names none: then the sound before goes on. */
  readonly named: string;
  /** The sound that is on: named here, or before. Null before the first named one. */
  readonly sound: string | null;
  readonly heard: readonly Heard[];
  /** How much sooner than written the last sound ends here, on purpose. */
  readonly endsEarly: Ticks;
  /** The silence before the first note here. */
  readonly rest: Rest;
};

/** What stands in the way of a plan, or should be known of it. */
export type SongToneProblem =
  | { readonly code: "nothing-named" }
  | { readonly code: "not-described"; readonly sound: string; readonly places: readonly string[] }
  | { readonly code: "unnamed-first"; readonly label: string }
  | { readonly code: "pin-unused"; readonly sound: string }
  | { readonly code: "pin-beyond"; readonly sound: string; readonly bank: number; readonly slot: number }
  | { readonly code: "pin-twice"; readonly sound: string; readonly bank: number; readonly slot: number };

/** A version as one player's box of sounds sees it. */
export type SongTones = {
  readonly player: Player;
  readonly sheet: BandSheet;
  readonly box: SoundBox;
  /** The whole form, sections in which the player is silent included. */
  readonly spans: readonly UseSpan[];
  readonly soundUses: readonly SoundUse[];
  /** Sounds by name with every setting. */
  readonly settings: ReadonlyMap<string, Settings>;
  readonly sounds: readonly Sound[];
  /** Null where no part names a sound. */
  readonly asked: ToneCase | null;
  /** The pins the plan keeps. */
  readonly pins: readonly SlotPin[];
  readonly problems: readonly SongToneProblem[];
  readonly clock: SongClock;
  readonly beatTicks: Ticks;
  /** Moves inside sections by use. */
  readonly moves: ReadonlyMap<string, SoundMoves>;
};

export const boardOf = (box: SoundBox): ToneBoard => ({
  slotsPerBank: box.slots,
  gapMs: box.gapMs,
  landing: box.landing,
  change: box.change,
  maxBanks: box.banks === null ? null : Math.max(1, box.banks - box.firstBank),
});

/**
 * Reads a version for one player: each use they play in, with its sound and the silence before it, and the
 * case for the planner.
 */
export function songTones(
  body: VersionBody,
  sheet: BandSheet,
  timeline: Timeline,
  player: Player,
): SongTones {
  const version = versionRow(body);
  const box = soundBoxOf(body, player.id);
  const sounds = soundsOf(body, player.id);
  const settings = new Map(sounds.map((sound) => [sound.name, settingsOf(body.sounds, sound)]));
  const beatTicks = ticksOfBeatUnit(version.beatUnit) ?? 960;
  const spans = spansOfForm(timeline);
  const clock = clockOf(spans);
  const moves = new Map(
    Object.values(body.soundMoves)
      .filter((row) => row.playerId === player.id)
      .map((row) => [row.useId, row]),
  );
  const partOf = new Map(
    sheet.rows.map((row) => [row.use.id, row.parts.find((part) => part.player.id === player.id)]),
  );
  const problems: SongToneProblem[] = [];
  const soundUses: SoundUse[] = [];
  const silent: UseSpan[] = [];
  let sound: string | null = null;
  for (const span of spans) {
    const part = partOf.get(span.use.id);
    const endsEarly = moves.get(span.use.id)?.endsEarly ?? 0;
    const anchor = body.strums[part?.cell.strumId.value ?? ""]?.anchor ?? "chord";
    const heard =
      part === undefined
        ? []
        : span.passages.flatMap((passage, at) =>
            heardIn(passage, part, at === span.passages.length - 1 ? endsEarly : 0, anchor),
          );
    if (part === undefined || heard.length === 0) {
      silent.push(span);
      continue;
    }
    const named = part.cell.sound.value.trim();
    const before = soundUses.at(-1);
    const rest = restBetween(before ?? null, { span, heard, part, endsEarly }, silent.splice(0), clock);
    sound = named === "" ? sound : named;
    soundUses.push({ span, part, named, sound, heard, endsEarly, rest });
  }
  const named = new Map<string, string[]>();
  for (const soundUse of soundUses)
    if (soundUse.named !== "")
      named.set(soundUse.named, [...(named.get(soundUse.named) ?? []), soundUse.span.label]);
  const [first] = soundUses;
  if (named.size === 0) problems.push({ code: "nothing-named" });
  else if (first?.sound === null) problems.push({ code: "unnamed-first", label: first.span.label });
  for (const [one, places] of named)
    if (!settings.has(one)) problems.push({ code: "not-described", sound: one, places });
  const pins = pinsOf(body, player.id, box, named, problems);
  const shared = {
    player,
    sheet,
    box,
    spans,
    soundUses,
    settings,
    sounds,
    pins,
    problems,
    clock,
    beatTicks,
    moves,
  };
  if (named.size === 0) return { ...shared, asked: null };
  const played = soundUses.filter((soundUse) => soundUse.sound !== null);
  const asked: ToneCase = {
    board: boardOf(box),
    sections: played.map((soundUse) => ({
      id: soundUse.span.use.id,
      tone: soundUse.sound!,
      restBeforeMs: soundUse.rest.ms,
    })),
    pins: pins.map(({ sound: tone, bank, slot }) => ({ tone, bank, slot })),
  };
  return { ...shared, asked };
}

/** Pins that can be kept; of the others it is said why not. */
function pinsOf(
  body: Pick<VersionBody, "slotPins">,
  playerId: string,
  box: SoundBox,
  named: ReadonlyMap<string, unknown>,
  problems: SongToneProblem[],
): SlotPin[] {
  if (box.kind === "pedals") return [];
  const kept: SlotPin[] = [];
  const { maxBanks } = boardOf(box);
  const own = Object.values(body.slotPins).filter((pin) => pin.playerId === playerId);
  for (const pin of own.sort((a, b) => a.bank - b.bank || a.slot - b.slot || (a.id < b.id ? -1 : 1))) {
    const { sound, bank, slot } = pin;
    if (!named.has(sound)) problems.push({ code: "pin-unused", sound });
    else if (slot >= box.slots || bank >= (maxBanks ?? Number.POSITIVE_INFINITY))
      problems.push({ code: "pin-beyond", sound, bank, slot });
    else if (kept.some((one) => one.bank === bank && (one.slot === slot || one.sound === sound)))
      problems.push({ code: "pin-twice", sound, bank, slot });
    else kept.push(pin);
  }
  return kept;
}
