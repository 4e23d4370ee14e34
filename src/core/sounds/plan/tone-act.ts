/** What the foot does on the box: a bank armed or taken, armed banks let go, a slot, a single pedal. */
export type ToneAct =
  | { readonly do: "arm" | "bank"; readonly bank: number }
  | { readonly do: "go" }
  | { readonly do: "slot"; readonly slot: number }
  | { readonly do: "pedal"; readonly effect: string };
