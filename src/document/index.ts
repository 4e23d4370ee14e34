export { alignLists, type Pair } from "./align";
export { applyEdit, applyToOwned, commandSchema, type EditProblem } from "./apply";
export { editBetween } from "./between";
export { checkBody } from "./check";
export {
  type Body,
  type Command,
  type FieldsOf,
  type MakeId,
  makersOf,
  placeAt,
  type SimpleCommand,
  singles,
  type Tables,
} from "./command";
export { copiedRow, differingFields, type Mates, pairRows } from "./compare";
export { copyBody } from "./copy";
export {
  bodyMaker,
  type Definition,
  defineDocuments,
  emptyBody,
  headOf,
  type Put,
  type RowsIn,
} from "./definition";
export {
  describeCommand,
  describePlace,
  describeProblem,
  sizeOf,
  type Tellers,
  valuesIn,
} from "./describe";
export { liftBody, openBody, type Stored } from "./form";
export { byOrder, orderBetween, ordersFor } from "./order";
export { removalOf } from "./remove";
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
} from "./replica";
export { idSchema } from "./rules";
export { defineTable, goesWith, letsGo, type RowOf, type TellValue } from "./table";
export { isStorable } from "./text";
export { overlap, type Touch, touches } from "./touch";
export { EVENTS_PATH } from "./wire";
