import type { ToneBoard, ToneCase } from "../../src/core/sounds/plan/sound-case";

/** A box for tests, with all that is not given left plain. */
const boardOf = (more: Partial<ToneBoard> = {}): ToneBoard => ({
  slotsPerBank: 4,
  gapMs: 300,
  landing: "saved",
  change: "arm-go",
  maxBanks: null,
  ...more,
});

/** A case from tones as "a b:500 a": the tone of each section and the rest before it, ms. */
export const toneCase = (
  song: string,
  board: Partial<ToneBoard> = {},
  pins: ToneCase["pins"] = [],
): ToneCase => ({
  board: boardOf(board),
  sections: song.split(" ").map((word, at) => {
    const [tone, rest] = word.split(":");
    return { id: `s${at + 1}`, tone: tone!, restBeforeMs: Number(rest ?? 0) };
  }),
  pins,
});

/** Whole numbers below a bound, the same for the same seed. */
export function numbersFrom(seed: number): (below: number) => number {
  let state = seed >>> 0;
  return (below) => {
    state = (Math.imul(state ^ (state >>> 15), 2_246_822_519) + 0x9e3779b9) >>> 0;
    const mixed = Math.imul(state ^ (state >>> 13), 3_266_489_917) >>> 0;
    return ((mixed ^ (mixed >>> 16)) >>> 0) % below;
  };
}

/** A made-up song: `tones` tones over `sections` sections, each rest long enough with a chance of `covered` percent. */
export function madeUpTones(
  next: (below: number) => number,
  shape: {
    readonly sections: number;
    readonly tones: number;
    readonly covered: number;
    readonly board: Partial<ToneBoard>;
    readonly pins?: number;
  },
): ToneCase {
  const board = boardOf(shape.board);
  const sections = Array.from({ length: shape.sections }, (_, at) => ({
    id: `s${at + 1}`,
    tone: `t${at < shape.tones ? at : next(shape.tones)}`,
    restBeforeMs: next(100) < shape.covered ? board.gapMs : Math.max(0, board.gapMs - 1),
  }));
  for (let at = sections.length - 1; at > 0; at--) {
    const other = next(at + 1);
    const [a, b] = [sections[at]!.tone, sections[other]!.tone];
    sections[at] = { ...sections[at]!, tone: b };
    sections[other] = { ...sections[other]!, tone: a };
  }
  const tones = [...new Set(sections.map(({ tone }) => tone))];
  const pins = Array.from({ length: shape.pins ?? 0 }, (_, at) => ({
    tone: tones[next(tones.length)]!,
    bank: at % 2,
    slot: next(board.slotsPerBank),
  }));
  const kept = pins.filter(
    (pin, at) =>
      !pins
        .slice(0, at)
        .some((one) => one.bank === pin.bank && (one.slot === pin.slot || one.tone === pin.tone)),
  );
  return { board, sections, pins: kept };
}
