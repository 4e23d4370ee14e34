import type { SoundBox } from "../../song/schema";
import { moveTo, type ToneAct, type ToneBank } from "../plan";

/** A simulated box of sounds. Times are seconds of one clock; it has none of its own. */
export type ToneBoxState = {
  readonly bank: number;
  readonly slot: number;
  /** The bank that is armed and not let go yet. */
  readonly armed: number | null;
  /** Until when it is silent: the gap of a bank change. */
  readonly silentUntil: number;
  /** Single pedals that are on. */
  readonly on: readonly string[];
};

/** What the box can be told: the presses of the plan, and what arrives by MIDI. */
export type BoxOrder =
  | ToneAct
  | { readonly do: "program"; readonly bank: number; readonly slot: number }
  | { readonly do: "switch"; readonly effect: string; readonly on: boolean };

/** An act from its one word; null for none of ours. @example orderOfName("slot-2") // => { do: "slot", slot: 2 } */
export function orderOfName(name: string): BoxOrder | null {
  if (name === "go") return { do: "go" };
  const [kind, what = ""] = name.split(/-(.*)/u);
  const number = Number(what);
  if (kind === "pedal") return { do: "pedal", effect: what };
  if (!Number.isInteger(number)) return null;
  if (kind === "slot") return { do: "slot", slot: number };
  return kind === "arm" || kind === "bank" ? { do: kind, bank: number } : null;
}

export const toneBoxAt = (bank: number, slot: number): ToneBoxState => ({
  bank,
  slot,
  armed: null,
  silentUntil: 0,
  on: [],
});

/** The sound a box stands on; null for an empty slot. */
export const soundOf = (
  state: Pick<ToneBoxState, "bank" | "slot">,
  banks: readonly ToneBank[],
): string | null => banks[state.bank]?.slots[state.slot] ?? null;

export const isSilentAt = (state: ToneBoxState, at: number): boolean => at < state.silentUntil;

/** A bank is entered: on its saved slot, or on the slot number in use; it is silent for the gap. */
function enter(
  state: ToneBoxState,
  bank: number,
  box: Pick<SoundBox, "landing" | "gapMs">,
  banks: readonly ToneBank[],
  at: number,
): ToneBoxState {
  if (bank === state.bank) return { ...state, armed: null };
  const slot = box.landing === "saved" ? (banks[bank]?.landing ?? 0) : state.slot;
  return { ...state, bank, slot, armed: null, silentUntil: at + box.gapMs / 1000 };
}

/**
 * Tells a box something. What it can't do leaves it as it is.
 * @param at when, s
 */
export function tellBox(
  state: ToneBoxState,
  order: BoxOrder,
  box: Pick<SoundBox, "kind" | "slots" | "landing" | "gapMs" | "change">,
  banks: readonly ToneBank[],
  at: number,
): ToneBoxState {
  const hasBank = (bank: number): boolean => box.kind === "banks" && bank >= 0 && bank < banks.length;
  switch (order.do) {
    case "arm":
      return box.change === "arm-go" && hasBank(order.bank) ? { ...state, armed: order.bank } : state;
    case "go":
      return state.armed === null ? state : enter(state, state.armed, box, banks, at);
    case "bank":
      return box.change === "direct" && hasBank(order.bank)
        ? enter(state, order.bank, box, banks, at)
        : state;
    case "slot":
      // A slot lets go of what is armed.
      return box.kind === "banks" && order.slot < box.slots
        ? { ...state, slot: order.slot, armed: null }
        : state;
    case "program": {
      if (!hasBank(order.bank) || order.slot >= box.slots) return state;
      const entered = enter(state, order.bank, box, banks, at);
      return { ...entered, slot: order.slot };
    }
    case "pedal":
      return tellBox(
        state,
        { do: "switch", effect: order.effect, on: !state.on.includes(order.effect) },
        box,
        banks,
        at,
      );
    case "switch": {
      const others = state.on.filter((effect) => effect !== order.effect);
      return { ...state, on: order.on ? [...others, order.effect] : others };
    }
  }
}

/** The fewest presses from where a box stands to a wanted place; null where it stands there. */
export function pressesBack(
  state: ToneBoxState,
  wanted: { readonly bank: number; readonly slot: number },
  box: Pick<SoundBox, "landing" | "change">,
  banks: readonly ToneBank[],
): readonly ToneAct[] {
  return moveTo({ ...box, gapMs: 0 }, banks, state, wanted, 0).acts;
}
