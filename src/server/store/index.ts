export { type Client, StoreClient } from "./client";
export { openDurable } from "./durable";
export type { Store } from "./store";
