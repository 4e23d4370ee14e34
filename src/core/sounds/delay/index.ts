export { DELAY_NOTES, delayMs, longestNote, tappedMs, tempoOfDelay } from "./delay";
