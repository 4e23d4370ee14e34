export { orderShapes, SHAPE_ORDERS, type ShapeOrder } from "./change-between";
export { describeMove, type MovePart } from "./describe-hand-move";
export type { HandEvent } from "./events";
export type { LayerProblem } from "./layers";
export { movedShape } from "./moved-shape";
export { GRADES, type Grade, withPassing } from "./passing";
export {
  describePlanted,
  type PlantedOptions,
  type PlantedPoint,
  planted,
} from "./planted";
export { type Move, voicePath } from "./voice-path";
