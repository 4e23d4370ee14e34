import type { Definition, Tables } from "@/document";
import {
  browserQueue,
  createDocumentStore,
  type DocumentStore,
  type Loaded,
  makeId,
} from "@/document/client";
import { httpTransport } from "./http-transport";

/** Opens a document in this window: its queue in the browser, its line to the server. */
export const openStore = <T extends Tables>(definition: Definition<T>, loaded: Loaded<T>): DocumentStore<T> =>
  createDocumentStore(definition, loaded, {
    queue: browserQueue(loaded.id),
    transport: httpTransport(loaded.id),
    makeId,
  });
