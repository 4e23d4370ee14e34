import { alterOf, formatKey, parseKey } from "../../pitch";
import { checkMeter, type Meter, MOST_BPM, readMeter } from "../../rhythm";
import type { SheetProblem } from "./sheet";

/** What the lines above the song say about it. */
export type Meta = {
  title: string;
  by: string;
  key: string | null;
  tempo: number | null;
  meter: Meter | null;
  capo: number;
};

type Found = SheetProblem["code"] | null;

const FIELDS: Readonly<Record<string, (meta: Meta, value: string) => Found>> = Object.freeze({
  title: (meta, value) => {
    meta.title = value;
    return null;
  },
  song: (meta, value) => {
    meta.title = value;
    return null;
  },
  by: (meta, value) => {
    meta.by = value;
    return null;
  },
  artist: (meta, value) => {
    meta.by = value;
    return null;
  },
  composer: (meta, value) => {
    meta.by = value;
    return null;
  },
  key: (meta, value) => {
    const key = parseKey(value.replaceAll("♭", "b").replaceAll("♯", "#"));
    if (!key.ok || Math.abs(alterOf(key.value.tonic)) > 1) return "bad-key";
    meta.key = formatKey(key.value);
    return null;
  },
  tempo: setTempo,
  bpm: setTempo,
  time: setMeter,
  meter: setMeter,
  metre: setMeter,
  "time signature": setMeter,
  capo: (meta, value) => {
    const fret = /^(?:fret\s*)?(\d{1,2})(?:st|nd|rd|th)?(?:\s*fret)?$/iu.exec(value);
    if (!fret || Number(fret[1]) > 12) return /^(?:none|no|-)$/iu.test(value) ? null : "bad-capo";
    meta.capo = Number(fret[1]);
    return null;
  },
});

function setTempo(meta: Meta, value: string): Found {
  const number = /^(?:[^\d-]{0,4}=\s*)?(-?\d{1,4}(?:\.\d+)?)\s*(?:bpm)?$/iu.exec(value);
  const bpm = number ? Number(number[1]) : Number.NaN;
  if (!(bpm >= 1 && bpm <= MOST_BPM)) return "bad-tempo";
  meta.tempo = bpm;
  return null;
}

function setMeter(meta: Meta, value: string): Found {
  const meter = readMeter(value);
  if (!meter || !checkMeter(meter).ok) return "bad-meter";
  meta.meter = meter;
  return null;
}

/**
 * Reads a line such as "Key: G" into `meta`.
 * @returns false when the line is none; else the problem, or null
 */
export function readMeta(line: string, meta: Meta): false | Found {
  const match = /^\s*([A-Za-z ]{2,20}?)\s*[:=]\s*(\S.*?)\s*$/u.exec(line);
  const name = match?.[1]?.toLowerCase();
  const field = name !== undefined && Object.hasOwn(FIELDS, name) ? FIELDS[name] : undefined;
  return match && field ? field(meta, match[2]!.slice(0, 200)) : false;
}
