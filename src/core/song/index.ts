export { PLAIN_HAND, PLAIN_ITEM, PLAIN_USE } from "./added-fields";

export { formatBars, readBars, type Stretches, sayBarsProblem } from "./bars-text";
export { editBetween } from "./between";
export {
  type BandBody,
  type BandPlayer,
  type Body,
  type Cell,
  type Choice,
  type CueRow,
  type Evening,
  type EveningBody,
  type EveningItem,
  EXCEPTION_KINDS,
  type Exception,
  type ExceptionKind,
  type Extra,
  INSTRUMENTS,
  type Instrument,
  idSchema,
  isStorable,
  type Kind,
  keySchema,
  type LoopBox,
  type LoopHabit,
  type LoopLayerRow,
  type LoopRun,
  type LoopWant,
  type Player,
  READS,
  type Riff,
  type RiffNote,
  ROLES,
  type Role,
  type Row,
  SECTION_KINDS,
  type Section,
  type SectionKind,
  type SlotPin,
  SOURCE_KINDS,
  type SongBody,
  type Sound,
  type SoundBox,
  type SoundMove,
  type SoundMoves,
  type Source,
  type SourceKind,
  type StrumRow,
  type Use,
  type VersionBody,
  type VersionRow,
  WRITINGS,
} from "./body";
export {
  type CellIndex,
  cellKey,
  EMPTY_CELL,
  type Inherited,
  indexCells,
  isOut,
  type ResolvedCell,
  resolveCell,
} from "./cells";
export { checkBody, emptyBody, isKind } from "./check-body";
export { findChoice, type ShapeSpot, spotOf } from "./choices";
export {
  add,
  addChord,
  addLine,
  addSection,
  addUse,
  batch,
  chooseShape,
  type MakeId,
  moveBefore,
  orderAtEnd,
  removalOf,
  removeChord,
  removeLine,
  removePlayer,
  removeSection,
  removeUse,
  set,
  setCell,
  setWords,
} from "./commands";
export { compareVersions } from "./compare";

export { copyVersion } from "./copy-version";
export { CUE_SIGNS } from "./cue-rows";
export {
  applyEdit,
  type Command,
  commandSchema,
  type EditProblem,
  overlap,
  type SimpleCommand,
  singles,
  type Touch,
  touches,
} from "./edit";
export { ITEM_KINDS, MOST_MINUTES } from "./evening-rows";
export {
  addException,
  type FoldProblem,
  fold,
  isPlainUse,
  unfold,
} from "./exceptions";
export { usualTuning } from "./instruments";
export { isPlayed, linesPlayed } from "./layout";
export { FULL_LIGHT, LIGHT_WORDS } from "./light";
export { differencesFrom, type Likeness, likenesses } from "./likeness";
export {
  BODY_PARTS,
  type BodyPart,
  LAYER_PITCHES,
  LAYER_SOUNDS,
  type LayerSound,
  LOOP_SCHOOLS,
  LOOP_STARTS,
  MOST_BOX_TRACKS,
  MOST_LAYER_BARS,
  PRESS_PLACES,
  QUIETEST_DBFS,
  WANTS,
} from "./loop-rows";
export { liftBody, SCHEMA } from "./migrate";
export {
  hasStrings,
  keysOf,
  Namer,
  namerByShift,
  readerOf,
  tuningOf,
} from "./names";
export { type Note, type Notes, notesOf } from "./notes";
export { byOrder, ordersFor } from "./order";
export {
  type Outline,
  type OutlineException,
  type OutlineLine,
  type OutlineSection,
  outlineOf,
} from "./outline";
export {
  addRiff,
  type CellChange,
  type CopiedCell,
  clearCells,
  copyCell,
  dismiss,
  fillDown,
  pasteCells,
  removeRiff,
  removeStrum,
  type SheetPlace,
  setCells,
  setRiffNotes,
  strumLike,
  strumRow,
  takePattern,
} from "./part-commands";
export {
  liftChord,
  moveChordStart,
  moveChordWord,
  placeChord,
  spotAt,
  stretchChord,
} from "./place-chord";
export { neckOfRiff, notesOfRiff } from "./riffs";
export { sayCommand, sizeOf } from "./say-command";
export { sayEditProblem, sayPlace } from "./say-edit";
export { sayException, sayUse } from "./say-exception";

export {
  chordMarks,
  foldText,
  parseShelfQuery,
  titleKeyOf,
} from "./shelf-query";
export {
  BOX_CHANGES,
  BOX_LANDINGS,
  MOST_BOX_BANKS,
  MOST_BOX_SLOTS,
  SOUND_BOX_KINDS,
} from "./sound-rows";
export {
  EFFECT_IDS,
  EFFECTS,
  type EffectId,
  GUITAR_SETTINGS,
  HAND_SETTINGS,
  HARMONY_INTERVALS,
  type HarmonyChoice,
  MOVED_SETTINGS,
  OVERALL_SETTINGS,
  SETTING_KEYS,
  type SettingKey,
  type SettingValue,
  settingOf,
} from "./sound-settings";
export {
  type ArrivedEdit,
  addPending,
  dropPending,
  type LostEdit,
  newReplica,
  type PendingEdit,
  placesOf,
  type Replica,
  receive,
  resumePending,
} from "./sync";
export { TECHNIQUE_IDS, type TechniqueId } from "./technique-ids";
export {
  gridOnsets,
  stringsOfPart,
  TECHNIQUES,
  type Technique,
  techniqueOf,
  techniquesFor,
  techniquesOf,
} from "./techniques";
export {
  beatUnitOfUse,
  meterOf,
  meterOfUse,
  type Passage,
  passageSum,
  playsOf,
  sectionSum,
  sectionSums,
  type TimedLine,
  type Timeline,
  timedChords,
  timelineOf,
  versionRow,
} from "./timeline";
export {
  type KeyFit,
  keyFits,
  melodyShift,
  type PitchRange,
  reachOf,
  type SungPlace,
  sayKeyFit,
  sungPlaces,
  writtenRange,
} from "./vocal-range";
