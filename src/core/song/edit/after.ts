import { applyEdit } from "../../../document";
import { DOCUMENTS, type VersionBody } from "../schema/documents";
import type { VersionStep } from "./edits";
import { batch } from "./makers";

/** A body after some edits of ours, which can't fail: for makers whose later edits depend on the earlier. */
export function after(body: VersionBody, steps: readonly VersionStep[]): VersionBody {
  if (steps.length === 0) return body;
  const applied = applyEdit(DOCUMENTS.version, body, batch("", [...steps]));
  if (!applied.ok) throw new Error("Expected edits of our own to apply.", { cause: applied.problem });
  return applied.value.body;
}
