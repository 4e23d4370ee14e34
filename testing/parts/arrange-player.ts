import type { ArrangeCase } from "@/core/parts";

type Player = ArrangeCase["players"][number];

/** A fluent guitarist in standard tuning who is there, sings nothing, has no looper and any number of sounds. */
export const guitar = (id: string, more: Partial<Player> = {}): Player => ({
  id,
  instrument: "guitar",
  tuning: [40, 45, 50, 55, 59, 64],
  capo: 0,
  level: "fluent",
  range: [40, 79],
  sings: false,
  loops: false,
  away: false,
  sounds: null,
  ...more,
});
