export { type HarmonyView, handTab, harmonyViews } from "./harmony";
export {
  type OfferQuestion,
  offerQuestions,
  priceOffers,
  type ToneOffer,
} from "./offers";
export { playerTones } from "./player-sounds";
export { sayRest } from "./rest";
export { saySlot, saySongToneProblem, sayToneCost, sayWayOut } from "./say-sounds";
export { type SlotState, slotStates } from "./slot-saves";
export { songPedals } from "./song-pedals";
export { boardOf, type SongTones, songTones, type ToneStretch } from "./song-sounds";
export { bankNumber, programOf, SOUND_BOX_PROFILES, slotOfProgram, soundBoxOf } from "./sound-boxes";
export {
  markSaved,
  nameSound,
  pinSlot,
  setMoves,
  setSoundBox,
  takeOffer,
  unpin,
} from "./sound-commands";
export { sayToneFinding, TONE_FIXING, type ToneFinding, toneFindings } from "./sound-findings";
export { changeTick, nameOfAct, sayAct, type ToneAct, type TonePress, tonePresses } from "./sound-presses";
export { timedSettings } from "./timed";
