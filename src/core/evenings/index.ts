export { type BestOrder, bestOrder, type OrderCase, type OrderPins, secondsOf } from "./best-order";
export { type Change, type ChangeOver, changeOver, sayChange } from "./change-over";
export { type PlayerState, type SongEdges, songEdges } from "./player-states";
