export type { BarsSaid } from "./bars-said";
export type { BookShape, Choice } from "./chosen-shapes";
export { CUE_SIGNS, type CueRow } from "./cues";
export {
  type BandBody,
  type BandTables,
  DOCUMENTS,
  type EveningBody,
  type EveningTables,
  isKind,
  type Kind,
  SCHEMA,
  type SongBody,
  type SongTables,
  type TablesOf,
  type VersionBody,
  type VersionTables,
} from "./documents";
export {
  EVENING_KEPT,
  type Evening,
  type EveningItem,
  ITEM_KINDS,
  MOST_MINUTES,
  NEW_EVENING,
  PLAIN_ITEM,
} from "./evening";
export { FULL_LIGHT, LIGHT_WORDS } from "./light";
export {
  BODY_PARTS,
  type BodyPart,
  LAYER_PITCHES,
  LAYER_SOUNDS,
  type LayerSound,
  LOOP_PLACES,
  LOOP_SCHOOLS,
  LOOP_STARTS,
  type LoopBox,
  type LoopHabit,
  type LoopLayerRow,
  type LoopPlace,
  type LoopRun,
  type LoopWant,
  MOST_BOX_TRACKS,
  MOST_LAYER_BARS,
  MOST_MORE,
  PLAIN_BOX,
  PRESS_PLACES,
  QUIETEST_DBFS,
  WANTS,
} from "./loops";
export {
  type Cell,
  EMPTY_CELL,
  LINE_FILLS,
  type LineFill,
  type Riff,
  type RiffNote,
  type StrumRow,
} from "./parts";
export { type BandPlayer, type Instrument, PLAIN_HAND, type Player } from "./players";
export {
  type Practice,
  type PracticeKind,
  practisedSchema,
  VERDICT_ID,
  VERDICTS,
  type Verdict,
} from "./practices";
export { UNSOURCED, UNVARIED, type Variant } from "./provenance";
export {
  INSTRUMENTS,
  LINE_READS,
  LONGEST_PLAYER_NAME,
  READS,
  SHEET_VIEWS,
  type SheetView,
  WRITINGS,
} from "./reads";
export { ROLES, type Role } from "./roles";
export { keySchema } from "./row-fields";
export {
  EXCEPTION_KINDS,
  EXCEPTION_TIMES,
  type Exception,
  type ExceptionKind,
  type Extra,
  PLAIN_USE,
  SECTION_KINDS,
  type Section,
  type SectionKind,
  type Use,
} from "./sections";
export {
  DELAYS,
  describeSetting,
  EFFECT_IDS,
  EFFECTS,
  type EffectId,
  GUITAR_SETTINGS,
  HAND_SETTINGS,
  HARMONY_INTERVALS,
  type HarmonyChoice,
  isAsked,
  MOVED_SETTINGS,
  OVERALL_SETTINGS,
  SETTING_KEYS,
  type SettingKey,
  type SettingValue,
  settingOf,
  withUnit,
} from "./sound-settings";
export {
  BOX_CHANGES,
  BOX_LANDINGS,
  MOST_BOX_BANKS,
  MOST_BOX_SLOTS,
  type SlotPin,
  SOUND_BOX_KINDS,
  type Sound,
  type SoundBox,
  type SoundMove,
  type SoundMoves,
} from "./sounds";
export type { IdeaTaste } from "./split-habits";
export { TECHNIQUE_IDS, type TechniqueId } from "./technique-ids";
export { SOURCE_KINDS, type Source, type SourceKind, type VersionRow } from "./version";
