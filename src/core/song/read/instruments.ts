import { BASS_TUNING, GUITAR_TUNING } from "../../pitch";
import type { Instrument } from "../schema/players";

const USUAL: Readonly<Record<Instrument, readonly string[]>> = Object.freeze({
  guitar: GUITAR_TUNING,
  bass: BASS_TUNING,
  keys: [],
  drums: [],
  voice: [],
});

/** The open strings an instrument usually has; none for one without. */
export const usualTuning = (instrument: Instrument): string[] => [...USUAL[instrument]];
