import { copyBody, type MakeId } from "../../../document";
import { versionRow } from "../read/timeline";
import { DOCUMENTS, type VersionBody } from "../schema/documents";

/** A version copied under fresh ids and another name; its rows tell which they began as. */
export function copyVersion(body: VersionBody, name: string, makeId: MakeId): VersionBody {
  const copied = copyBody(DOCUMENTS.version, body, makeId);
  const version = versionRow(copied);
  return { ...copied, version: { [version.id]: { ...version, name } } };
}
