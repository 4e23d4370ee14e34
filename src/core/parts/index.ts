export { type PartChord, type PartPassage, type PlayerPart, playerPart } from "./player-part";
export { easiestFingerings, optionsOf, requestKey, type Shape, type ShapeRequest, shapeAt } from "./shapes";
