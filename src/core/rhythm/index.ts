export {
  type BarSection,
  type BarSum,
  type LineSum,
  sumBars,
  type TimedChord,
} from "./bars";
export { describeBeatRowProblem, fitBeatRow, formatBeatRow, readBeatRow, ticksOfRow } from "./beat-row";
export { BEAT_TOLERANCE, beatsOfTicks, countBars, countBeats, formatBeats, ticksOfBeats } from "./beats";
export { countAt } from "./count-at";
export { describeOpenSection } from "./describe-open";
export {
  type BeatUnit,
  beatsOfBar,
  beatUnitOf,
  COMMON_TIME,
  type Meter,
  TICKS_PER_QUARTER,
  ticksOfBar,
  ticksOfBeatUnit,
} from "./meter";
export { describeNote, wholeNotesOf } from "./note-value";
export * from "./strum";
export { bpmOfTaps, withTap } from "./tap-tempo";
export { rhythmOfTaps, type TappedRhythm } from "./tapped-rhythm";
export { beatsOfTaps } from "./taps";
export { MOST_BPM, type Tempo, tempoMs } from "./tempo";
export { checkMeter, formatMeter, METER_UNITS, MOST_BEATS_IN_A_BAR, readMeter } from "./written-meter";
