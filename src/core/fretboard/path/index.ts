export { CHANGE_COSTS, QUICK_MS } from "./change";
export type { HandEvent } from "./events";
export type { LayerProblem } from "./layers";
export { GRADES, type Grade, withPassing } from "./passing";
export {
  type Planted,
  type PlantedFinger,
  type PlantedOptions,
  type PlantedPoint,
  planted,
} from "./planted";
export { type Move, type VoicePath, type VoicePathOptions, voicePath } from "./voice-path";
