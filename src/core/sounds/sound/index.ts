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
} from "./commands";
export {
  areAlike,
  differencesOf,
  type LedgerLine,
  sayDifferences,
  sayLine,
  saySound,
  sayValue,
} from "./ledger";
export { hasTails, isOn, loudness, PLAIN_SETTINGS, type Settings, settingsOf } from "./resolve";
