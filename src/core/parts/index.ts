export { type PartChord, type PartPassage, type PlayerPart, playerPart } from "./player-part";
export {
  type PlanEvent,
  type PlannedRun,
  type PlanRequest,
  type PlanRun,
  planRequest,
  planShapes,
  type ShapePlan,
  shapesOfPlan,
} from "./shape-plan";
export {
  type HandRequest,
  handKey,
  handOf,
  optionsOf,
  requestKey,
  type Shape,
  type ShapeRequest,
  scaleMmOf,
  shapeAt,
} from "./shapes";
