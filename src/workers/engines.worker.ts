import { expose } from "comlink";
import { sure } from "@/core/base";
import { parseChord } from "@/core/chord";
import { capoTable, type Fingerings, fingerings } from "@/core/fretboard";
import { optionsOf, type ShapeRequest } from "@/core/parts";
import { formatKey, parseKey, parseTuning } from "@/core/pitch";

export type CapoRequest = {
  readonly key: string;
  readonly chords: readonly { readonly symbol: string; readonly beats: number }[];
  readonly tuning: readonly string[];
  readonly level: ShapeRequest["level"];
};

export type CapoRow = Omit<ReturnType<typeof capoTable>[number], "shapeKey"> & { readonly shapeKey: string };

const engines = {
  fingerings: (request: ShapeRequest, limit: number): Fingerings => {
    const chord = parseChord(request.symbol);
    return chord.ok
      ? fingerings(chord.value, { ...optionsOf(request), limit })
      : { fingerings: [], total: 0, exact: true };
  },
  capoTable: ({ key, chords, tuning, level }: CapoRequest): CapoRow[] => {
    const read = chords.flatMap(({ symbol, beats }) => {
      const chord = parseChord(symbol);
      return chord.ok ? [{ chord: chord.value, beats }] : [];
    });
    const rows = capoTable(sure(parseKey(key)), read, { tuning: sure(parseTuning(tuning)), level });
    return rows.map((row) => ({ ...row, shapeKey: formatKey(row.shapeKey) }));
  },
};

export type Engines = typeof engines;

expose(engines);
