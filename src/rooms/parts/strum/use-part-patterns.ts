import type { SheetPart, SheetRow } from "@/core/parts";
import { type LibraryPattern, type Pattern, STRUM_LIBRARY } from "@/core/rhythm";
import { type PatternField, setCell, strumLike, takePattern } from "@/core/song/edit";
import type { StrumRow } from "@/core/song/schema";
import { byOrder } from "@/document";
import { derive, makeId, useAct, useCurrentVersion, useRowsLater } from "../../open";
import { patternAsRow } from "../patterns/pattern-as-row";

/** The patterns a part can be given, and what gives it one. */
export type PartPatterns = {
  /** The song's own. */
  readonly own: readonly StrumRow[];
  /** Those of the library in the section's metre that the song has not taken yet. */
  readonly library: readonly LibraryPattern[];
  readonly rowOf: (field: PatternField) => StrumRow | null;
  /** Gives the part a pattern by its id, the song's own or the library's ("library …"); "" lets it go. */
  readonly choose: (field: PatternField, value: string) => void;
  /** Gives the part a new pattern under a name. */
  readonly take: (pattern: Pattern, name: string, anchor?: StrumRow["anchor"]) => void;
};

/** What a value of a choice begins with that is of the library. */
export const OF_LIBRARY = "library ";

export function usePartPatterns(part: SheetPart, row: SheetRow): PartPatterns {
  const body = useRowsLater("strums");
  const current = useCurrentVersion();
  const act = useAct();
  const { cell, use, player } = part;
  const { meter } = row.passage;
  const place = { useId: use.id, playerId: player.id };
  const library = STRUM_LIBRARY.filter(
    (one) =>
      one.meter.beats === meter.beats &&
      one.meter.unit === meter.unit &&
      strumLike(body, one) === null &&
      (player.instrument !== "drums" || one.kind === "strum" || one.kind === "free"),
  );
  return {
    own: Object.values(body.strums).sort(byOrder),
    library,
    rowOf: (field) => body.strums[cell[field].value ?? ""] ?? null,
    choose: (field, value) => {
      const now = current();
      const index = derive.cellIndex(now);
      const taken = library.find((one) => `${OF_LIBRARY}${one.id}` === value);
      act(
        taken
          ? takePattern(now, index, taken, [place], makeId, field)
          : setCell(index, use.id, player.id, { [field]: value === "" ? null : value }, makeId),
      );
    },
    take: (pattern, name, anchor = "chord") => {
      const now = current();
      act(
        takePattern(now, derive.cellIndex(now), { ...patternAsRow(pattern, name), anchor }, [place], makeId),
      );
    },
  };
}
