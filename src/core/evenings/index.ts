export { bestOrder, type OrderCase, secondsOf } from "./best-order";
export { changeOver, describeChange, describeOwnChange } from "./change-over";
export { packingLists, tellPacking } from "./packing";
export { personOf, type SongEdges, songEdges } from "./player-states";
export {
  type Gap,
  itemsOf,
  orderCase,
  type RunningOrder,
  type RunningRow,
  reorderSongs,
  runningOrder,
} from "./running-order";
