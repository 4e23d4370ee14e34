export { tellBarNumber, tellBars, tellStretch } from "./bars";
export {
  type Moment,
  tellBar,
  tellBarsUnder,
  tellMoment,
  tellPlace,
  tellUnder,
  tellWord,
} from "./moment";
export { clockOf, type SongClock } from "./song-clock";
export { type SungWord, sungWords } from "./sung-words";
