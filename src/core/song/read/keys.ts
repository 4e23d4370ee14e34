import { unwrap } from "../../../base";
import { type Key, parseKey } from "../../pitch";
import type { VersionBody } from "../schema/documents";
import { versionRow } from "./timeline";

/** The key the chords are written in, and the one the version is performed in. */
export const keysOf = (body: Pick<VersionBody, "version">): { written: Key; sounding: Key } => {
  const version = versionRow(body);
  return { written: unwrap(parseKey(version.writtenKey)), sounding: unwrap(parseKey(version.key)) };
};
