import { PLAIN_HAND, type Player } from "../song/schema";

/** Somebody who reads along and plays nothing: a leader without a part, a singer who rests. Chords are told as they sound. */
export const ONLOOKER: Player = Object.freeze({
  ...PLAIN_HAND,
  id: "onlooker",
  bandPlayerId: null,
  order: "zz",
  name: "",
  instrument: "voice",
  tuning: [],
  capo: 0,
  level: "fluent",
  sings: false,
  range: null,
  light: 2,
  role: "support",
});
