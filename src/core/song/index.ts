export {
  type BandBody,
  type BandPlayer,
  type Body,
  type Cell,
  type Choice,
  type EveningBody,
  type EveningItem,
  INSTRUMENTS,
  type Instrument,
  idSchema,
  isStorable,
  KINDS,
  type Kind,
  type PlacedChord,
  type Player,
  ROLES,
  type Role,
  type Row,
  SECTION_KINDS,
  type Section,
  type SectionKind,
  type SongBody,
  type Use,
  type VersionBody,
  type VersionRow,
  type Word,
} from "./body";
export {
  type CellIndex,
  cellKey,
  type Inherited,
  indexCells,
  type Origin,
  type ResolvedCell,
  resolveCell,
} from "./cells";
export { type BodyProblem, checkBody, emptyBody, isKind } from "./check-body";
export { choiceFits, findChoice, type ShapeSpot } from "./choices";
export {
  addChord,
  addLine,
  addSection,
  addUse,
  batch,
  chooseShape,
  type MakeId,
  moveBefore,
  orderAtEnd,
  removeChord,
  removeLine,
  removePlayer,
  removeSection,
  removeUse,
  set,
  setCell,
  setWords,
} from "./commands";
export {
  type Applied,
  applyEdit,
  type Command,
  commandSchema,
  type EditProblem,
  overlap,
  type Touch,
  touches,
} from "./edit";
export { liftBody, SCHEMA, type Stored } from "./migrate";
export { keysOf, type NamedChord, Namer, tuningOf } from "./names";
export { byOrder, orderBetween, ordersFor } from "./order";
export { type Outline, type OutlineLine, type OutlineSection, outlineOf } from "./outline";
export { sayEditProblem, sayPlace } from "./say-edit";
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
export {
  type Bar,
  meterOf,
  type Passage,
  sectionSum,
  sectionSums,
  type TimedLine,
  type Timeline,
  timedChords,
  timelineOf,
  versionRow,
} from "./timeline";
