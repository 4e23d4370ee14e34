export { DELAY_NOTES, delayMs, longestNote, sayNote, tappedMs, tempoOfDelay } from "./delay";
