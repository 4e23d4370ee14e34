export { type Client, StoreClient } from "./client";
export { openDurable, syncPath } from "./durable";
export type { Store } from "./store";
