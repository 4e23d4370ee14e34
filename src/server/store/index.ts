export { type Client, StoreClient } from "./client";
export { openDurable } from "./durable";
export { NotOpened, type Store } from "./store";
