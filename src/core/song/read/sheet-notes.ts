import { byOrder } from "../../../document";
import type { VersionBody } from "../schema/documents";
import type { Extra } from "../schema/sections";

/** What a sheet says beside words and chords, for people: words, tab as it stands, or a directive. */
export type Note = {
  readonly id: string;
  readonly kind: "words" | "tab" | "directive";
  readonly text: string;
};

/**
 * A kept piece of a sheet without the signs of its format.
 * @example noteOf({ kind: "comment", text: "{comment: softly}", … }).text // => "softly"
 */
export function noteOf({ id, kind, text }: Extra): Note {
  if (kind === "comment") return { id, kind: "words", text: wordsOf(text) };
  if (kind === "directive") return { id, kind, text };
  const lines = text.split("\n");
  const from = /^\s*\{/u.test(lines[0] ?? "") ? 1 : 0;
  const to = /^\s*\{/u.test(lines.at(-1) ?? "") && lines.length > 1 ? -1 : undefined;
  return { id, kind: "tab", text: lines.slice(from, to).join("\n") };
}

/** "{comment: softly}", "{c:softly}", "# softly" and "(softly)". */
const wordsOf = (text: string): string => {
  const directive = /^\s*\{[\p{L}_]+\s*:\s*(.*?)\s*\}\s*$/su.exec(text)?.[1];
  return (directive ?? text.replace(/^#+\s*/u, "")).replace(/^\(([^()]*)\)$/u, "$1").trim();
};

/** The notes of a version: by section (null: before the first), and there by the line they stand before (null: last). */
export type Notes = ReadonlyMap<string | null, ReadonlyMap<string | null, readonly Note[]>>;

export function notesOf(body: Pick<VersionBody, "extras">): Notes {
  const notes = new Map<string | null, Map<string | null, Note[]>>();
  for (const extra of Object.values(body.extras).sort(byOrder)) {
    const section = notes.get(extra.sectionId) ?? new Map<string | null, Note[]>();
    notes.set(extra.sectionId, section);
    section.set(extra.lineId, [...(section.get(extra.lineId) ?? []), noteOf(extra)]);
  }
  return notes;
}
