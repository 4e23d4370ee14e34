export { openInMemory } from "./blank";
export { type Client, StoreClient } from "./client";
export { openDurable } from "./durable";
export { syncPath } from "./place";
export type { Store } from "./store";
