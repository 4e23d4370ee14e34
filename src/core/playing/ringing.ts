import type { Onset } from "./onset";

/** Something begins to sound on a voice (a string, a key), and rings there until something ends it. */
type Strike = Omit<Onset, "lastsMs"> & {
  readonly type: "strike";
  readonly voice: string;
  /** It is over then at the latest, ms. */
  readonly until: number;
};

/** Everything that rings is ended. */
type Choke = { readonly type: "choke"; readonly ms: number };

export type Act = Strike | Choke;

/** Shorter than this nothing is heard, ms. */
const LEAST_MS = 1e-6;

const ENDS_FIRST = { choke: 0, strike: 1 } as const;

/**
 * How long each strike rings: until its voice is struck again, all is choked, or its time is over. In the order of time; a
 * voice struck twice at one moment sounds once, as it was struck last.
 * @example ringing([{ type: "strike", voice: "0", ms: 0, until: 500, … }, { type: "choke", ms: 200 }])[0].lastsMs // => 200
 */
export function ringing(acts: readonly Act[]): Onset[] {
  const inOrder = acts
    .map((act, at) => ({ act, at }))
    .sort((a, b) => a.act.ms - b.act.ms || ENDS_FIRST[a.act.type] - ENDS_FIRST[b.act.type] || a.at - b.at);
  const open = new Map<string, number>();
  const found: { strike: Strike; end: number }[] = [];
  const end = (index: number, ms: number) => {
    found[index]!.end = Math.min(found[index]!.end, ms);
  };
  for (const { act } of inOrder) {
    if (act.type === "choke") {
      for (const index of open.values()) end(index, act.ms);
      open.clear();
      continue;
    }
    const before = open.get(act.voice);
    if (before !== undefined) end(before, act.ms);
    open.set(act.voice, found.push({ strike: act, end: act.until }) - 1);
  }
  return found.flatMap(({ strike, end: over }): Onset[] => {
    const { ms, pitch, string, velocity, stroke, bends } = strike;
    const lastsMs = over - ms;
    if (lastsMs < LEAST_MS) return [];
    return [{ ms, pitch, lastsMs, string, velocity, stroke, ...(bends ? { bends } : {}) }];
  });
}
