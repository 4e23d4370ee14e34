import type { SoundBox } from "../../song/schema";
import { programOf, type SongTones } from "../of-song";
import type { TonePlan } from "../plan";
import { areAlike, type Settings } from "../sound";

/** One song of an evening with its plan on the player's box. */
export type EveningSong = {
  readonly title: string;
  readonly versionId: string;
  readonly song: SongTones;
  readonly plan: TonePlan;
};

/** A slot of the box for an evening. */
type EveningSlot = {
  readonly slot: number;
  readonly program: number;
  /** Programs are counted in pages of 128; the page is told by a bank select. */
  readonly page: number;
  readonly sound: string | null;
  /** Songs and places that hold the same sound, set alike: one of them would do where it can be reached. */
  readonly doubles: readonly string[];
};

type EveningBank = {
  /** In the box, counted from 0. */
  readonly bank: number;
  /** The songs that use it, in running order. */
  readonly titles: readonly string[];
  readonly landing: number | null;
  readonly slots: readonly EveningSlot[];
};

export type EveningBanks = {
  readonly banks: readonly EveningBank[];
  /** Where each song's own banks lie in the box. */
  readonly places: readonly {
    readonly title: string;
    readonly versionId: string;
    readonly banks: readonly number[];
  }[];
  readonly free: number;
  readonly doubled: number;
  /** How many banks more than the box has; 0 when it fits. */
  readonly over: number;
};

type Held = { readonly name: string; readonly settings: Settings | undefined } | null;

/** Whether two slots may be one: both empty, or the same sound set alike. */
const same = (a: Held, b: Held): boolean =>
  a === null || b === null
    ? a === b
    : a.name === b.name &&
      (a.settings === undefined || b.settings === undefined
        ? a.settings === b.settings
        : areAlike(a.settings, b.settings));

/**
 * The banks of a player's box for a whole evening, in running order: each song's banks one after the other; a bank that is
 * the same as one of an earlier song, with the same slot to open on, is not saved again.
 * @param box what stands on the floor that evening
 */
export function eveningBanks(songs: readonly EveningSong[], box: SoundBox): EveningBanks {
  const laid: { held: Held[]; landing: number | null; titles: string[] }[] = [];
  const places = songs.map(({ title, versionId, song, plan }) => ({
    title,
    versionId,
    banks: plan.banks.map(({ slots, landing }) => {
      const held = Array.from({ length: box.slots }, (_, slot): Held => {
        const name = slots[slot] ?? null;
        return name === null ? null : { name, settings: song.settings.get(name) };
      });
      const known = laid.findIndex(
        (bank) =>
          bank.held.every((one, slot) => same(one, held[slot]!)) &&
          (landing === null || bank.landing === null || bank.landing === landing),
      );
      if (known >= 0) {
        const bank = laid[known]!;
        if (!bank.titles.includes(title)) bank.titles.push(title);
        bank.landing ??= landing;
        return known;
      }
      laid.push({ held, landing, titles: [title] });
      return laid.length - 1;
    }),
  }));
  const all = laid.flatMap(({ held, titles }, bank) =>
    held.flatMap((one, slot) => (one === null ? [] : [{ one, bank, slot, titles }])),
  );
  const banks = laid.map(
    ({ held, landing, titles }, bank): EveningBank => ({
      bank,
      titles,
      landing,
      slots: held.map((one, slot) => ({
        slot,
        ...programOf({ ...box, firstBank: 0 }, bank, slot),
        sound: one?.name ?? null,
        doubles: all
          .filter(
            (other) => one !== null && same(other.one, one) && (other.bank !== bank || other.slot !== slot),
          )
          .map((other) => `bank ${other.bank + 1}, slot ${other.slot + 1}`),
      })),
    }),
  );
  const slots = banks.flatMap((bank) => bank.slots);
  return {
    banks,
    places,
    free: slots.filter(({ sound }) => sound === null).length,
    doubled: slots.filter(({ doubles }) => doubles.length > 0).length,
    over: Math.max(0, banks.length - (box.banks ?? banks.length)),
  };
}
