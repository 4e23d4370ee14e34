export { type HarmonyView, handTab, harmonyViews } from "./harmony";
export {
  type OfferQuestion,
  offerQuestions,
  priceOffers,
  type ToneOffer,
} from "./offers";
export { playerTones } from "./player-tones";
export { sayRest } from "./rest";
export { saySlot, saySongToneProblem, sayToneCost, sayWayOut } from "./say-tones";
export { type SlotState, slotStates } from "./slot-saves";
export { songPedals } from "./song-pedals";
export { boardOf, type SongTones, songTones, type ToneStretch } from "./song-tones";
export { bankNumber, programOf, SOUND_BOX_PROFILES, slotOfProgram, soundBoxOf } from "./sound-boxes";
export { timedSettings } from "./timed";
export {
  markSaved,
  nameSound,
  pinSlot,
  setMoves,
  setSoundBox,
  takeOffer,
  unpin,
} from "./tone-commands";
export { sayToneFinding, TONE_FIXING, type ToneFinding, toneFindings } from "./tone-findings";
export { changeTick, nameOfAct, sayAct, type ToneAct, type TonePress, tonePresses } from "./tone-presses";
