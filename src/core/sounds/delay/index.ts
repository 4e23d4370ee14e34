export { DELAY_NOTES, delayMs, describeNote, longestNote, tappedMs, tempoOfDelay } from "./delay";
