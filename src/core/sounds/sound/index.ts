export {
  areAlike,
  describeDifferences,
  describeLine,
  describeSound,
  differencesOf,
  type LedgerLine,
} from "./ledger";
export { hasTails, isOn, loudness, PLAIN_SETTINGS, type Settings, settingsOf } from "./resolve";
export {
  addSound,
  describeNamed,
  removeSound,
  renameSound,
  setBase,
  setSetting,
  soundNamed,
  soundsOf,
  usesOfSound,
} from "./setting-commands";
export { setSoundWay, soundWays } from "./sound-ways";
