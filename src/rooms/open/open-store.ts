import type { Body, Definition, Tables, Tellers } from "@/document";
import {
  browserQueue,
  createDocumentStore,
  type DocumentStore,
  type Loaded,
  makeId,
} from "@/document/client";
import { httpTransport } from "./http-transport";

/** Opens a document in this window, with other ways to tell its values where there are some: its queue in the browser, its line to the server. */
export const openStore = <T extends Tables>(
  definition: Definition<T>,
  loaded: Loaded<T>,
  tellers?: (body: Body<T>) => Tellers,
): DocumentStore<T> =>
  createDocumentStore(definition, loaded, {
    ...(tellers ? { tellers } : {}),
    queue: browserQueue(loaded.id),
    transport: httpTransport(loaded.id),
    makeId,
  });
