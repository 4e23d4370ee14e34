import { type Naming, toLetters } from "../../chord";
import { alterOf, formatKey, parseKey } from "../../pitch";
import { checkMeter, type Meter, MOST_BPM, readMeter, ticksOfBeatUnit } from "../../rhythm";
import type { SheetProblem } from "../sheet";

/** What the head of a sheet says about the song. */
export type Meta = {
  title: string;
  by: string;
  composer: string;
  copyright: string;
  tags: string[];
  key: string | null;
  tempo: number | null;
  beatUnit: string | null;
  meter: Meter | null;
  capo: number;
  /** The key of the shapes the capo is said with. */
  shapeKey: string | null;
};

export const emptyMeta = (): Meta => ({
  title: "",
  by: "",
  composer: "",
  copyright: "",
  tags: [],
  key: null,
  tempo: null,
  beatUnit: null,
  meter: null,
  capo: 0,
  shapeKey: null,
});

type Found = SheetProblem["code"] | null;
type Setter = (meta: Meta, value: string) => Found;

/** The longest field that is taken whole, in characters. */
export const LONGEST_FIELD = 200;

const setText =
  (field: "title" | "by" | "composer" | "copyright"): Setter =>
  (meta, value) => {
    meta[field] = value.slice(0, field === "copyright" ? 400 : 200);
    return null;
  };

/**
 * Reads a key by any custom of naming that makes sense of it.
 * @example readKeyText("La mineur") // => "Am"
 */
function readKeyText(value: string): string | null {
  const text = value.replaceAll("♭", "b").replaceAll("♯", "#").trim();
  for (const naming of ["letters", "syllables", "german"] satisfies Naming[]) {
    const letters =
      naming === "letters"
        ? text
        : toLetters(
            text.replace(/-(?:dur|moll)$/iu, (mode) => ` ${mode.slice(1)}`),
            naming,
          );
    const key = letters === null ? null : parseKey(letters);
    if (key?.ok && Math.abs(alterOf(key.value.tonic)) <= 1) {
      if (naming === "german" && !/moll|dur|[a-z]es|is/iu.test(text)) continue;
      return formatKey(key.value);
    }
  }
  return null;
}

const setKey: Setter = (meta, value) => {
  const key = readKeyText(value);
  if (key === null) return "bad-key";
  meta.key = key;
  return null;
};

const UNIT_OF_SIGN: Readonly<Record<string, string>> = Object.freeze({
  "♩": "1/4",
  "♩.": "1/4.",
  "♪": "1/8",
  q: "1/4",
  "q.": "1/4.",
  "𝅗𝅥": "1/2",
});

const setTempo: Setter = (meta, value) => {
  const match =
    /^(?:(♩\.?|♪|q\.?|1\/(?:2|4|8|16)\.?)\s*=\s*|[^\d=-]{0,4}=\s*)?(-?\d{1,4}(?:[.,]\d+)?)\s*(?:bpm)?$/iu.exec(
      value,
    );
  const bpm = match ? Number(match[2]!.replace(",", ".")) : Number.NaN;
  if (!(bpm >= 1 && bpm <= MOST_BPM)) return "bad-tempo";
  meta.tempo = bpm;
  const sign = match?.[1];
  if (sign) meta.beatUnit = UNIT_OF_SIGN[sign] ?? (ticksOfBeatUnit(sign) === null ? null : sign);
  return null;
};

const setMeter: Setter = (meta, value) => {
  const meter = readMeter(/^c$/iu.test(value) ? "4/4" : value);
  if (!meter || !checkMeter(meter).ok) return "bad-meter";
  meta.meter = meter;
  return null;
};

/** "3", "fret 3", "3rd fret", "na 3ª casa", "im 2. Bund", each perhaps with the shapes behind it: "4 (play in C, sounds in E)". */
const CAPO_VALUE =
  /^(?:(?:fret|case|at|on|na|no|en|el|la|le|in|im|al|au|auf|the)\s+){0,3}(\d{1,2})\s*(?:st|nd|rd|th|ª|º|°|\.|ème|eme|er|re)?(?:\s+\p{L}+)?\s*(?:[,;(]\s*(?:play(?:ed)?|sounds?|shapes?|chords?|forme?s?|formas?|griffe|[A-H][#b♯♭]?m?\s+(?:shapes?|forme?s?|formas?|griffe)).*)?$/iu;

/** The key of the shapes a capo is said with: "(play in C, sounds in E)", "G shapes". */
const SHAPES =
  /(?:play(?:ed)?\s+in|shapes?\s+(?:of|in)|formes?\s+de|formas?\s+de|griffe\s+in)\s+([A-H][#b♯♭]?m?)(?!\p{L})|(?<!\p{L})([A-H][#b♯♭]?m?)[\s-]+(?:shapes?|formas?|formes?|griffe)/iu;

/** The key a capo is said to sound in. */
const SOUNDS =
  /(?:sounds?|sounding|klingt|suena|sonne|suona|soa)\s+(?:in|en|em|as|wie)\s+([A-H][#b♯♭]?m?)(?!\p{L})/iu;

const setCapo: Setter = (meta, value) => {
  const fret = CAPO_VALUE.exec(value.trim());
  if (!fret || Number(fret[1]) > 12) return /^(?:none|no|-)$/iu.test(value) ? null : "bad-capo";
  meta.capo = Number(fret[1]);
  const shapes = SHAPES.exec(value);
  meta.shapeKey = shapes && readKeyText(shapes[1] ?? shapes[2]!);
  const sounds = SOUNDS.exec(value);
  meta.key ??= sounds && readKeyText(sounds[1]!);
  return null;
};

const setTags: Setter = (meta, value) => {
  for (const tag of value.split(/[,;]/u).map((one) => one.trim().slice(0, 40)))
    if (tag !== "" && !meta.tags.includes(tag) && meta.tags.length < 30) meta.tags.push(tag);
  return null;
};

/** Fields by name, in the languages our players write in. */
const FIELDS: ReadonlyMap<string, Setter> = new Map<string, Setter>([
  ...["title", "song", "titel", "titre", "titulo", "titolo"].map((name): [string, Setter] => [
    name,
    setText("title"),
  ]),
  ...["by", "artist", "artiste", "interpret", "artista"].map((name): [string, Setter] => [
    name,
    setText("by"),
  ]),
  ...["composer", "words and music", "written by", "musik", "compositeur", "compositor"].map(
    (name): [string, Setter] => [name, setText("composer")],
  ),
  ["copyright", setText("copyright")],
  ...["key", "tonart", "tonalite", "tonalidad", "tonalidade", "tonalita", "tom", "tono", "toonsoort"].map(
    (name): [string, Setter] => [name, setKey],
  ),
  ...["tempo", "bpm"].map((name): [string, Setter] => [name, setTempo]),
  ...["time", "meter", "metre", "time signature", "takt", "mesure", "compas", "compasso", "maat"].map(
    (name): [string, Setter] => [name, setMeter],
  ),
  ...["capo", "kapo", "capodastre", "capotasto", "cejilla", "pestana"].map((name): [string, Setter] => [
    name,
    setCapo,
  ]),
  ...["tag", "tags"].map((name): [string, Setter] => [name, setTags]),
]);

const plainName = (name: string): string =>
  name
    .normalize("NFD")
    .replaceAll(/\p{Mn}/gu, "")
    .toLowerCase();

/**
 * Reads a line such as "Key: G" into `meta`.
 * @returns false when the line is none; else the problem, or null
 */
export function readMeta(line: string, meta: Meta): false | Found {
  const match = /^\s*(\p{L}[\p{L} ]{1,19}?)\s*[:=]\s*(\S.*?)\s*$/u.exec(line);
  const field = match ? FIELDS.get(plainName(match[1]!)) : undefined;
  return match && field ? field(meta, match[2]!.slice(0, 200)) : false;
}

/** Fields written without a colon: "Capo 3", "Key of G", "♩ = 84", "84 bpm", "3/4". */
const BARE: readonly (readonly [RegExp, string])[] = Object.freeze([
  [/^(?:capo|kapo|capodastre|capotasto|cejilla|pestana)\s+(\D{0,12}\d{1,2}.{0,60})$/iu, "capo"],
  [/^key(?:\s+of)?\s+(\S+(?:\s+(?:major|minor|m))?)$/iu, "key"],
  [/^(?:tempo\s+)?((?:[♩♪]|q)\.?\s*=\s*\d{2,3})$/iu, "tempo"],
  [/^(?:tempo\s+(?=\d)|(?=\d+\s*bpm))(\d{2,3})(?:\s*bpm)?$/iu, "tempo"],
  [/^(?:time\s+)?(\d{1,2}\/(?:1|2|4|8|16))$/iu, "time"],
] as const);

/** A field of its own, with or without a colon; a bare one must have a sound value. */
function readOne(part: string, meta: Meta): false | Found {
  const told = readMeta(part, meta);
  if (told !== false) return told;
  const plain = part.trim().replace(/^\((.*)\)$/u, "$1");
  for (const [pattern, name] of BARE) {
    const value = pattern.exec(plain)?.[1];
    if (value !== undefined && setField(emptyMeta(), name, value) === null)
      return setField(meta, name, value);
  }
  return false;
}

const PARTS = /\s*[|;•·]\s*|,\s+|\s{2,}|\s+(?=(?:key|tempo|bpm|time|capo|metre|meter)\s*[:=])/iu;

/**
 * Reads a line at the head of a sheet: one field, or several side by side.
 * @returns false when the line is none; else the problems
 * @example readHeadLine("Key: G | Capo 2 | 84 bpm", meta) // => []
 */
export function readHeadLine(line: string, meta: Meta): false | SheetProblem["code"][] {
  const parts = line
    .slice(0, 400)
    .split(PARTS)
    .map((part) => part.trim())
    .filter((part) => part !== "");
  if (parts.length > 1 && parts.every((part) => readOne(part, emptyMeta()) !== false))
    return parts.map((part) => readOne(part, meta)).filter((found) => found !== false && found !== null);
  const found = readOne(line, meta);
  return found === false ? false : found === null ? [] : [found];
}

/**
 * Where a field is said again and otherwise, gives the first value back.
 * @returns whether there was such a field
 */
export function keepFirst(before: Meta, meta: Meta): boolean {
  const empty = emptyMeta();
  const twice = (Object.keys(before) as (keyof Meta)[]).filter((field) => {
    const [was, is, none] = [before[field], meta[field], empty[field]].map((value) => JSON.stringify(value));
    return field !== "tags" && was !== none && is !== was;
  });
  Object.assign(meta, Object.fromEntries(twice.map((field) => [field, before[field]])));
  return twice.length > 0;
}

/** Sets one field by name. @returns false when there is no such field */
export function setField(meta: Meta, name: string, value: string): false | Found {
  const field = FIELDS.get(plainName(name));
  return field ? field(meta, value.trim().slice(0, 400)) : false;
}
