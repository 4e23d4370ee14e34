export { describeSlot, describeSongToneProblem, describeToneCost, describeWayOut } from "./describe-sounds";
export {
  type HandWay,
  type HarmonyView,
  handTab,
  handWays,
  harmonyViews,
  takeByHand,
} from "./harmony";
export {
  type OfferQuestion,
  offerQuestions,
  priceOffers,
  type ToneOffer,
} from "./offers";
export { playerTones } from "./player-sounds";
export { describeRest } from "./rest";
export { type SlotState, slotStates } from "./slot-saves";
export { songPedals } from "./song-pedals";
export { boardOf, type SongTones, type SoundUse, songTones } from "./song-sounds";
export {
  hasSoundBox,
  programOf,
  SOUND_BOX_PROFILES,
  slotOfProgram,
  soundBoxOf,
} from "./sound-boxes";
export {
  markSaved,
  nameSound,
  pinSlot,
  setMoves,
  setSoundBox,
  takeOffer,
  unpin,
} from "./sound-commands";
export { describeToneFinding, TONE_FIXING, type ToneFinding, toneFindings } from "./sound-findings";
export {
  changeTick,
  type TonePress,
  tonePresses,
} from "./sound-presses";
export { tellSound, tellSoundMove, tellSoundMoves } from "./tell-sound-move";
export { isDelay, timedSettings } from "./timed";
