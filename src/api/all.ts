import * as documents from "./documents";
import type { Endpoint } from "./endpoint";
import * as engines from "./engines";
import * as evenings from "./evenings";
import * as network from "./network";
import * as shelf from "./shelf";
import * as songs from "./songs";
import * as stage from "./stage";
import * as stagePerson from "./stage-person";

const isEndpoint = (value: unknown): value is Endpoint =>
  typeof value === "object" && value !== null && "path" in value && "who" in value;

/** Everything that can be asked of the server. */
export const ENDPOINTS: readonly Endpoint[] = Object.freeze(
  [documents, engines, evenings, network, shelf, songs, stage, stagePerson].flatMap((file) =>
    Object.values<unknown>(file).filter(isEndpoint),
  ),
);
