export { followDocument, followSettled } from "./feed";
export { createHistory, type History } from "./history";
export { makeId } from "./ids";
export { browserQueue } from "./queue";
export {
  createDocumentStore,
  type DocumentState,
  type DocumentStore,
  type Loaded,
  type Saving,
} from "./store";
export type { Answer, Transport } from "./transport";
