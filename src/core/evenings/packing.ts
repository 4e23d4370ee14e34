import { groupBy } from "../../base";
import type { Instrument } from "../song/schema";
import type { Packed, SongEdges } from "./player-states";

/** What one person packs for an evening. */
export type PackingList = {
  readonly person: string;
  readonly name: string;
  /** Each instrument with its tunings, the first the one it is packed in: other tunings are reached on stage. */
  readonly instruments: readonly { readonly instrument: Instrument; readonly tunings: number }[];
  readonly capo: boolean;
  readonly gear: readonly string[];
  /** Sounds to save in the box before. */
  readonly toSave: readonly string[];
};

/**
 * What everybody packs for the songs of an evening, by name.
 * @example packingLists(edges)[0] // => { name: "Ada", instruments: [{ instrument: "guitar", tunings: 1 }], capo: true, … }
 */
export function packingLists(songs: readonly Pick<SongEdges, "packs">[]): PackingList[] {
  const byPerson = groupBy(
    songs.flatMap(({ packs }) => packs),
    ({ person }) => person,
  );
  return [...byPerson]
    .map(([person, packs]): PackingList => {
      const byInstrument = groupBy(packs, ({ instrument }) => instrument);
      const all = (of: (pack: Packed) => readonly string[]) => [...new Set(packs.flatMap(of))];
      return {
        person,
        name: packs[0]!.name,
        instruments: [...byInstrument.values()].map((list) => ({
          instrument: list[0]!.instrument,
          tunings: new Set(list.map(({ tuning }) => tuning.join(" "))).size,
        })),
        capo: packs.some(({ capo }) => capo),
        gear: all(({ gear }) => gear),
        toSave: all(({ toSave }) => toSave),
      };
    })
    .sort((a, b) => a.name.localeCompare(b.name));
}

/**
 * A packing list in words.
 * @example tellPacking(list) // => ["guitar, in 2 tunings", "capo", "Four slots a bank", "save again: Woody"]
 */
export const tellPacking = ({ instruments, capo, gear, toSave }: PackingList): string[] => [
  ...instruments.map(({ instrument, tunings }) =>
    tunings > 1 ? `${instrument}, in ${tunings} tunings` : instrument,
  ),
  ...(capo ? ["capo"] : []),
  ...gear,
  ...(toSave.length > 0 ? [`save again: ${toSave.join(", ")}`] : []),
];
