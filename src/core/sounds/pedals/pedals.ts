/** Which single pedals are on in a section of the song. */
export type PedalSection = { readonly id: string; readonly on: readonly string[] };

export type PedalPlan = {
  /** One for each section: what is pressed just before it, in the order of the pedals. */
  readonly boundaries: readonly { readonly before: string; readonly press: readonly string[] }[];
  readonly presses: number;
  /** Sections before which more than two pedals are pressed. */
  readonly crowded: readonly string[];
};

/** As many presses as a foot makes at one boundary without hurry. */
const EASY_PRESSES = 2;

/**
 * The presses on single pedals without memory: all are off before the first section, one press flips one.
 * @example planPedals(["drive", "delay"], [{ id: "v1", on: ["delay"] }]).presses // => 1
 */
export function planPedals(pedals: readonly string[], sections: readonly PedalSection[]): PedalPlan {
  let before: ReadonlySet<string> = new Set();
  const boundaries = sections.map(({ id, on }) => {
    const now = new Set(on);
    const press = pedals.filter((pedal) => now.has(pedal) !== before.has(pedal));
    before = now;
    return { before: id, press };
  });
  return {
    boundaries,
    presses: boundaries.reduce((sum, { press }) => sum + press.length, 0),
    crowded: boundaries.filter(({ press }) => press.length > EASY_PRESSES).map(({ before: id }) => id),
  };
}
