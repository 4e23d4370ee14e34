import { describe, expect, it } from "vitest";
import { numbersFrom } from "../../../../testing/sounds/sample-case";
import { liveTone, type TonePlace } from "./live-tone";
import type { ToneBank } from "./plan-sounds";
import type { ToneBoard } from "./sound-case";

const BOARD = { landing: "saved", change: "arm-go", gapMs: 300 } as const;
const BANKS: readonly ToneBank[] = [
  { slots: ["verse", "chorus"], landing: 0 },
  { slots: ["solo", "verse"], landing: 1 },
];
const at = (bank: number, slot: number, armed: number | null = null): TonePlace => ({ bank, slot, armed });
const told = (move: ReturnType<typeof liveTone>) =>
  move && [
    ...move.acts.map((act) =>
      act.do === "slot" ? `slot ${act.slot}` : "bank" in act ? `${act.do} ${act.bank}` : act.do,
    ),
    move.exposed ? "heard" : "unheard",
  ];

describe("the presses from where a box really stands", () => {
  it("are none where it stands, one in its bank, two into another that opens right", () => {
    expect(told(liveTone(BOARD, BANKS, at(0, 0), "verse", 0))).toEqual(["unheard"]);
    expect(told(liveTone(BOARD, BANKS, at(0, 0), "chorus", 0))).toEqual(["slot 1", "unheard"]);
    expect(told(liveTone(BOARD, BANKS, at(0, 1), "solo", 400))).toEqual(["arm 1", "go", "slot 0", "heard"]);
    expect(told(liveTone(BOARD, BANKS, at(1, 0), "chorus", 400))).toEqual(["arm 0", "go", "slot 1", "heard"]);
  });

  it("count what is armed: go alone gets there, a slot lets go of it, staying costs one", () => {
    expect(told(liveTone(BOARD, BANKS, at(1, 0, 0), "verse", 400))).toEqual(["go", "unheard"]);
    expect(told(liveTone(BOARD, BANKS, at(1, 0, 0), "solo", 0))).toEqual(["slot 0", "unheard"]);
    // In its own bank the verse is one press off too, and nobody hears it change: by the list, the first comes first.
    expect(told(liveTone(BOARD, BANKS, at(1, 0, 0), "verse", 0))).toEqual(["slot 1", "unheard"]);
  });

  it("arm nothing on a box that changes at once, and trust no landing nobody knows", () => {
    const direct = { ...BOARD, change: "direct" } as const;
    expect(told(liveTone(direct, BANKS, at(0, 0, 1), "verse", 0))).toEqual(["unheard"]);
    expect(told(liveTone(direct, BANKS, at(0, 0), "solo", 400))).toEqual(["bank 1", "slot 0", "heard"]);
    const unknown = [BANKS[0]!, { ...BANKS[1]!, landing: null }];
    expect(told(liveTone(BOARD, unknown, at(0, 1), "solo", 400))?.length).toBe(4);
    expect(told(liveTone({ ...BOARD, landing: "same-slot" }, BANKS, at(0, 0), "solo", 400))).toEqual([
      "arm 1",
      "go",
      "unheard",
    ]);
    expect(liveTone(BOARD, BANKS, at(0, 0), "bridge", 0)).toBeNull();
  });

  it("are the fewest, and unheard where as few can be: against every train of presses tried", () => {
    for (let seed = 1; seed <= 400; seed++) {
      const below = numbersFrom(seed);
      const slots = 1 + below(3);
      const banks: ToneBank[] = Array.from({ length: 1 + below(3) }, () => ({
        slots: Array.from({ length: slots }, () => [null, "a", "b", "c", "d"][below(5)]!),
        landing: below(3) === 0 ? null : below(slots),
      }));
      const board = {
        landing: below(3) === 0 ? "same-slot" : "saved",
        change: below(3) === 0 ? "direct" : "arm-go",
        gapMs: 300,
      } as const;
      const armed = board.change === "direct" || below(2) === 0 ? null : below(banks.length);
      const from = at(below(banks.length), below(slots), armed);
      const rest = below(2) * 400;
      for (const tone of ["a", "b", "c", "d"]) {
        const move = liveTone(board, banks, from, tone, rest);
        const best = slowly(board, banks, from, tone, rest);
        expect(move && { presses: move.acts.length, exposed: move.exposed }).toEqual(best);
      }
    }
  });
});

type State = { bank: number; slot: number | null; armed: number | null; changed: number; wrong: boolean };

/** Presses one after the other, every way, until the tone is on and nothing is armed. */
function slowly(
  board: Pick<ToneBoard, "landing" | "change" | "gapMs">,
  banks: readonly ToneBank[],
  from: TonePlace,
  tone: string,
  rest: number,
): { presses: number; exposed: boolean } | null {
  const holds = ({ bank, slot }: State): boolean => slot !== null && banks[bank]!.slots[slot] === tone;
  const into = (state: State, bank: number): State => {
    const slot = board.landing === "same-slot" ? state.slot : banks[bank]!.landing;
    return {
      bank,
      slot,
      armed: null,
      changed: state.changed + 1,
      wrong: state.wrong || !holds({ ...state, bank, slot }),
    };
  };
  let states: State[] = [{ ...from, changed: 0, wrong: false }];
  for (let presses = 0; presses <= 4; presses++) {
    const there = states.filter((state) => holds(state) && state.armed === null && state.changed <= 1);
    if (there.length > 0)
      return {
        presses,
        exposed: there.every(({ changed, wrong }) => changed > 0 && (wrong || rest < board.gapMs)),
      };
    states = states.flatMap((state) => [
      // A slot on the way to another bank is heard as something else.
      ...banks[0]!.slots.map((_, slot): State => {
        const pressed = { ...state, slot, armed: null };
        return { ...pressed, wrong: state.wrong || !holds(pressed) };
      }),
      ...banks.flatMap((_, bank): State[] =>
        bank === state.bank
          ? []
          : board.change === "direct"
            ? [into(state, bank)]
            : [{ ...state, armed: bank }],
      ),
      ...(state.armed === null || state.armed === state.bank ? [] : [into(state, state.armed)]),
    ]);
  }
  return null;
}
