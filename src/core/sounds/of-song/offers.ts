import type { Ticks } from "../../../base";
import { beatsOfTicks, tempoMs } from "../../rhythm";
import { barsAt } from "../../song/read";
import { compareCosts, planTones, type ToneCase, type TonePlan } from "../plan";
import { bestInBanks } from "./best-in-banks";
import type { SongTones } from "./song-sounds";

/** A way out of a change that is heard. */
export type ToneWayOut =
  | { readonly code: "swap"; readonly a: Place; readonly b: Place }
  | { readonly code: "share"; readonly useId: string; readonly label: string; readonly sound: string }
  | { readonly code: "end-early"; readonly early: Early }
  | {
      readonly code: "cover";
      readonly early: Early;
      readonly playerId: string;
      readonly player: string;
    };

/** A last chord that ends sooner. */
type Early = {
  readonly useId: string;
  readonly label: string;
  readonly ticks: Ticks;
  readonly beats: number;
};

/** A way out with what the whole song then costs. */
export type ToneOffer = { readonly out: ToneWayOut; readonly plan: TonePlan };

/** A way out with the case that stands for it, not yet planned. */
export type OfferQuestion = { readonly out: ToneWayOut; readonly asked: ToneCase };

type Place = { readonly bank: number; readonly slot: number; readonly sound: string | null };

/** As many beats as a chord is ended early at most, when offered. Ours, no source. */
const MOST_BEATS_EARLY = 4;

const planOf = (asked: ToneCase): TonePlan | null => {
  const plan = planTones({ ...asked, budget: OFFER_BUDGET });
  return plan.ok ? plan.value : null;
};
/** Search steps for each offer. */
const OFFER_BUDGET = 4000;

/** Whether the change into a section is heard in a plan. */
const isExposed = (plan: Pick<TonePlan, "steps">, section: string): boolean =>
  plan.steps.find((step) => step.section === section)?.exposed ?? false;

/**
 * Ways out of an exposed change that change the song: a section that shares a sound, a chord ended early, the same gap
 * covered by another player.
 * @param section the use the exposed change leads into
 */
export function offerQuestions(song: SongTones, section: string): OfferQuestion[] {
  const { asked, soundUses } = song;
  const at = soundUses.findIndex(({ span }) => span.use.id === section);
  const [before, into] = [soundUses[at - 1], soundUses[at]];
  if (!asked || !before || !into) return [];
  const shared = (
    [
      [into, before.sound],
      [before, into.sound],
    ] as const
  ).flatMap(([{ span, sound: own }, sound]): OfferQuestion[] => {
    if (sound === null || sound === own) return [];
    const useId = span.use.id;
    const sections = asked.sections.map((one) => (one.id === useId ? { ...one, tone: sound } : one));
    const left = new Set(sections.map(({ tone }) => tone));
    const pins = asked.pins.filter(({ tone }) => left.has(tone));
    return [{ out: { code: "share", useId, label: span.label, sound }, asked: { ...asked, sections, pins } }];
  });
  const needed = beatsNeeded(song, before.span.passages.at(-1)!.tempo, into.rest.ms);
  if (needed === null) return shared;
  const { ms, ...length } = needed;
  const early: Early = { useId: before.span.use.id, label: before.span.label, ...length };
  const rested: ToneCase = {
    ...asked,
    sections: asked.sections.map((one) =>
      one.id === section ? { ...one, restBeforeMs: one.restBeforeMs + ms } : one,
    ),
  };
  const other = coverer(song, early.useId);
  return [
    ...shared,
    { out: { code: "end-early", early }, asked: rested },
    ...(other
      ? [
          {
            out: { code: "cover", early, playerId: other.id, player: other.name } as const,
            asked: rested,
          },
        ]
      : []),
  ];
}

/**
 * What the ways out cost, and the best swap of two slots; the cheapest first. Only those after which this change is no
 * longer heard.
 */
export function priceOffers(
  asked: ToneCase,
  plan: TonePlan,
  section: string,
  questions: readonly OfferQuestion[],
): ToneOffer[] {
  const swap = bestSwap(asked, plan, section);
  const planned = questions.flatMap(({ out, asked: one }): ToneOffer[] => {
    const next = planOf(one);
    return next ? [{ out, plan: next }] : [];
  });
  return [
    ...(swap ? [{ out: { code: "swap", a: swap.a, b: swap.b } as const, plan: swap.plan }] : []),
    ...planned,
  ]
    .filter((offer) => !isExposed(offer.plan, section))
    .sort((a, b) => compareCosts(a.plan, b.plan));
}

/** Whole beats that make a rest as long as the gap; null where that takes too many. */
function beatsNeeded(
  song: SongTones,
  tempo: Parameters<typeof tempoMs>[1],
  restMs: number,
): { readonly ticks: Ticks; readonly beats: number; readonly ms: number } | null {
  const beat = tempoMs(song.beatTicks, tempo);
  const beats = Math.max(1, Math.ceil((song.box.gapMs - restMs) / beat - 1e-9));
  const ticks = beats * song.beatTicks;
  if (beats > MOST_BEATS_EARLY) return null;
  return { ticks, beats: beatsOfTicks(ticks, tempo.beatUnit), ms: tempoMs(ticks, tempo) };
}

/** Somebody else who holds chords through the end of a section. */
function coverer(song: SongTones, useId: string) {
  const row = song.sheet.rows.find(({ use }) => use.id === useId);
  const others = row?.parts.filter(
    ({ player, out, cell }) =>
      player.id !== song.player.id &&
      !out &&
      (player.instrument === "guitar" || player.instrument === "keys") &&
      (barsAt(cell, row.use.repeat - 1)?.some(([, to]) => to >= row.bars) ?? true),
  );
  return others?.[0]?.player ?? null;
}

/** The best plan after swapping what stands in two slots, such that the change is not heard; pins stay where they are. */
function bestSwap(
  asked: ToneCase,
  plan: TonePlan,
  section: string,
): { readonly a: Place; readonly b: Place; readonly plan: TonePlan } | null {
  const places = plan.banks.flatMap(({ slots }, bank) =>
    slots.map((sound, slot): Place => ({ bank, slot, sound })),
  );
  const isPinned = ({ bank, slot }: Place): boolean =>
    asked.pins.some((pin) => pin.bank === bank && pin.slot === slot);
  let best: { a: Place; b: Place; plan: TonePlan } | null = null;
  for (const [at, a] of places.entries())
    for (const b of places.slice(at + 1)) {
      if (a.sound === b.sound || isPinned(a) || isPinned(b)) continue;
      const banks = plan.banks.map(({ slots }) => [...slots]);
      banks[a.bank]![a.slot] = b.sound;
      banks[b.bank]![b.slot] = a.sound;
      if (banks.some((slots) => hasTwice(slots))) continue;
      const next = bestInBanks(asked, banks);
      if (!next || isExposed(next, section)) continue;
      if (!best || compareCosts(next, best.plan) < 0) best = { a, b, plan: next };
    }
  return best;
}

const hasTwice = (slots: readonly (string | null)[]): boolean => {
  const held = slots.filter((sound) => sound !== null);
  return new Set(held).size < held.length;
};
