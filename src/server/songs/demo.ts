import { readFile } from "node:fs/promises";
import path from "node:path";
import { z } from "zod";
import { defined, unwrap } from "@/base";
import { readChordText, readTab } from "@/core/formats";
import { STYLES } from "@/core/fretboard";
import { formatTuning, parsePitch } from "@/core/pitch";
import { STRUM_LIBRARY } from "@/core/rhythm";
import { addException, copyVersion, orderAtEnd, set, strumRow, type VersionCommand } from "@/core/song/edit";
import { outlineOf, usualTuning } from "@/core/song/read";
import {
  type BandBody,
  type BandPlayer,
  type Cell,
  DOCUMENTS,
  EMPTY_CELL,
  type EveningBody,
  EXCEPTION_KINDS,
  INSTRUMENTS,
  keySchema,
  NEW_EVENING,
  PLAIN_HAND,
  PLAIN_ITEM,
  type Player,
  type Riff,
  type RiffNote,
  ROLES,
  SOURCE_KINDS,
  type SourceKind,
  type StrumRow,
  TECHNIQUE_IDS,
  UNSOURCED,
  UNVARIED,
  type VersionBody,
} from "@/core/song/schema";
import { applyEdit, byOrder, ordersFor } from "@/document";
import type { NewDocument } from "../documents/stored-documents";
import { makeId } from "../ids";
import { songDocuments } from "./create";
import { demoLoops, withLoops } from "./demo-loops";
import { demoSounds, withSounds } from "./demo-sounds";

const FILE = /^[a-z-]+\.txt$/u;
const light = z.int().min(0).max(4);
const pitchRange = z
  .tuple([z.string(), z.string()])
  .transform(([low, high]): [number, number] => [unwrap(parsePitch(low)), unwrap(parsePitch(high))]);
const demoSchema = z.object({
  evening: z.object({ name: z.string(), place: z.string(), note: z.string() }),
  band: z.object({
    name: z.string(),
    players: z.array(
      z.object({
        key: z.string(),
        name: z.string(),
        instrument: z.enum(INSTRUMENTS),
        level: z.enum(["beginner", "steady", "fluent"]),
        range: pitchRange.optional(),
        sings: z.boolean(),
        capo: z.int(),
      }),
    ),
  }),
  songs: z.array(
    z.object({
      file: z.string().regex(FILE),
      tags: z.array(z.string()),
      note: z.string(),
      players: z.record(
        z.string(),
        z.object({ capo: z.int(), light, role: z.enum(ROLES), tuning: z.array(z.string()).optional() }),
      ),
      cells: z.array(
        z.object({
          use: z.int(),
          player: z.string(),
          light: light.optional(),
          role: z.enum(ROLES).optional(),
          capo: z.int().optional(),
          style: z.enum(STYLES).optional(),
          strings: z.array(z.int()).optional(),
          note: z.string().optional(),
          technique: z.enum(TECHNIQUE_IDS).optional(),
          sound: z.string().optional(),
          bars: z.array(z.tuple([z.int(), z.int()])).optional(),
          phrases: z.array(z.object({ from: z.int(), to: z.int(), role: z.enum(ROLES) })).optional(),
          /** A pattern of the library, by its id. */
          pattern: z.string().optional(),
          /** A line below, by its name. */
          line: z.string().optional(),
        }),
      ),
      /** Lines as text tab. */
      lines: z.array(z.object({ name: z.string(), tab: z.array(z.string()) })).default([]),
      /** What sections ask for, by their labels. */
      sections: z
        .record(
          z.string(),
          z.object({ energy: z.int().min(0).max(4).optional(), bass: z.enum(["needed", "free"]).optional() }),
        )
        .default({}),
      /** The sounds of players, by their keys. */
      sounds: z.record(z.string(), demoSounds).default({}),
      /** What is sung in each section, by its label: lowest and highest note. */
      melodies: z.record(z.string(), pitchRange).default({}),
      /** What a place of the form has of its own. */
      uses: z
        .array(
          z.object({
            use: z.int(),
            shift: z.int().optional(),
            label: z.string().optional(),
            vocals: z.boolean().optional(),
          }),
        )
        .default([]),
      exceptions: z
        .array(
          z.object({
            use: z.int(),
            kind: z.enum(EXCEPTION_KINDS),
            ticks: z.int().default(0),
            cued: z.boolean().default(false),
            /** The first chord of this name in the section. */
            chord: z.string().optional(),
            /** What its own lines hold, in order. */
            symbols: z.array(z.string()).default([]),
          }),
        )
        .default([]),
      /** Other sheets of the song, for the evidence chart. */
      sources: z
        .array(z.object({ name: z.string(), kind: z.enum(SOURCE_KINDS), file: z.string().regex(FILE) }))
        .default([]),
      /** Chords nobody is sure of. */
      unsure: z.array(z.string()).default([]),
      versions: z
        .array(
          z.object({
            name: z.string(),
            key: keySchema,
            bpm: z.number(),
            /** Chords that are played otherwise. */
            symbols: z.record(z.string(), z.string()).default({}),
            /** Beats of chords that last otherwise, by symbol and beats: { "Gm 3": 2 }. */
            lengths: z.record(z.string(), z.number()).default({}),
            /** Played by one person with a looper. */
            loops: demoLoops.optional(),
          }),
        )
        .default([]),
    }),
  ),
});

type DemoSong = z.infer<typeof demoSchema>["songs"][number];

/** Reads the demo evening in `demo/` into documents, ready to store. */
export async function demoDocuments(
  folder = path.resolve(/* turbopackIgnore: true */ "demo"),
): Promise<NewDocument[]> {
  const demo = demoSchema.parse(
    JSON.parse(
      await readFile(
        /* turbopackIgnore: true */ path.join(/* turbopackIgnore: true */ folder, "evening.json"),
        "utf8",
      ),
    ),
  );
  const textOf = (file: string) =>
    readFile(/* turbopackIgnore: true */ path.join(/* turbopackIgnore: true */ folder, file), "utf8");
  const places = ordersFor(demo.band.players.length);
  const players = new Map(
    demo.band.players.map(({ key, ...player }, index): [string, BandPlayer] => [
      key,
      {
        ...player,
        id: makeId(),
        order: places[index]!,
        tuning: usualTuning(player.instrument),
        ...PLAIN_HAND,
        range: player.range ?? null,
      },
    ]),
  );
  const bandId = makeId();
  const band: BandBody = {
    band: { [bandId]: { id: bandId, name: demo.band.name } },
    players: Object.fromEntries([...players.values()].map((player) => [player.id, player])),
    loopHabits: {},
    bookShapes: {},
    soundBoxes: {},
    ideaTastes: {},
    splitWays: {},
  };
  const songs = await Promise.all(
    demo.songs.map(async (song) => {
      const sheet = readChordText(await textOf(song.file));
      const others = await Promise.all(
        song.sources.map(async ({ file, ...source }) => ({ ...source, text: await textOf(file) })),
      );
      const settings = {
        title: sheet.title,
        tags: song.tags,
        source: { name: "Demo sheet", kind: "sheet" as const },
      };
      const made = songDocuments(sheet, settings, (version) =>
        withPlayersSounds(
          withExceptions(withParts(withSources(version, others), song, players), song),
          song,
          players,
        ),
      );
      return { ...made, documents: [...made.documents, ...otherVersions(made, song)] };
    }),
  );
  const eveningId = makeId();
  const itemOrders = ordersFor(songs.length);
  const evening: EveningBody = {
    evening: { [eveningId]: { id: eveningId, targetMinutes: null, ...NEW_EVENING, ...demo.evening } },
    items: Object.fromEntries(
      songs.map(({ songId, versionId }, index) => {
        const id = makeId();
        return [
          id,
          { ...PLAIN_ITEM, id, order: itemOrders[index]!, songId, versionId, note: demo.songs[index]!.note },
        ];
      }),
    ),
  };
  return [
    { id: bandId, kind: "band", parentId: null, body: band },
    ...songs.flatMap((song) => song.documents),
    { id: eveningId, kind: "evening", parentId: null, body: evening },
  ];
}

/** Lays the sounds of every player that has some on a version. */
const withPlayersSounds = (
  version: VersionBody,
  song: DemoSong,
  band: ReadonlyMap<string, BandPlayer>,
): VersionBody =>
  Object.entries(song.sounds).reduce(
    (body, [key, sounds]) => withSounds(body, band.get(key)!.name, sounds),
    version,
  );

function withSources(
  version: VersionBody,
  others: readonly { name: string; kind: SourceKind; text: string }[],
): VersionBody {
  const orders = ordersFor(others.length + 1);
  const added = others.map((source, index) => ({ ...source, id: makeId(), order: orders[index + 1]! }));
  return {
    ...version,
    sources: { ...version.sources, ...Object.fromEntries(added.map((source) => [source.id, source])) },
  };
}

/** Lays on what is otherwise at places of the form, by the same edits a person makes. */
function withExceptions(version: VersionBody, song: DemoSong): VersionBody {
  const edit = (body: VersionBody, command: VersionCommand): VersionBody =>
    unwrap(applyEdit(DOCUMENTS.version, body, command)).body;
  const { form, byId } = outlineOf(version);
  let body = version;
  for (const { id, label } of Object.values(version.sections))
    if (song.melodies[label]) body = edit(body, set("sections", id, { melodyRange: song.melodies[label] }));
  for (const { use, ...fields } of song.uses) body = edit(body, set("uses", form[use]!.id, defined(fields)));
  for (const { use, kind, chord, symbols, ...fields } of song.exceptions) {
    const chords = byId.get(form[use]!.sectionId)!.lines.flatMap((line) => line.chords);
    const chordId = chords.find((one) => one.chord.symbol === chord)?.chord.id ?? null;
    body = edit(
      body,
      addException(outlineOf(body), { useId: form[use]!.id }, kind, { ...fields, chordId }, makeId),
    );
    const own = outlineOf(body).exceptions.get(form[use]!.id)?.at(-1)?.lines ?? [];
    for (const [index, { chord }] of own.flatMap((line) => line.chords).entries())
      body = edit(body, set("chords", chord.id, { symbol: symbols[index] ?? chord.symbol }));
  }
  for (const { id, symbol } of Object.values(body.chords))
    if (song.unsure.includes(symbol)) body = edit(body, set("chords", id, { sure: false }));
  return body;
}

/** Further versions of a song: copies with some chords played otherwise. */
function otherVersions({ songId, versionId, documents }: DemoMade, song: DemoSong): NewDocument[] {
  const made = documents.find((document) => document.id === versionId);
  if (made?.kind !== "version") throw new Error(`Expected the first version of the song ${songId}.`);
  const first = made.body;
  return song.versions.map(({ name, key, bpm, symbols, lengths, loops }) => {
    const copy = copyVersion(first, name, makeId);
    const [row] = Object.values(copy.version);
    const chords = Object.values(copy.chords).map((chord) => [
      chord.id,
      {
        ...chord,
        symbol: symbols[chord.symbol] ?? chord.symbol,
        ticks: (lengths[`${chord.symbol} ${chord.ticks / 960}`] ?? chord.ticks / 960) * 960,
        sure: true,
      },
    ]);
    const played = {
      ...copy,
      version: { [row!.id]: { ...row!, key, bpm } },
      chords: Object.fromEntries(chords),
    };
    const body = loops ? withLoops(played, loops) : played;
    return { id: makeId(), kind: "version", parentId: songId, body: body };
  });
}

type DemoMade = ReturnType<typeof songDocuments>;

/** Lays the demo's players and cells on a version. */
function withParts(version: VersionBody, song: DemoSong, band: ReadonlyMap<string, BandPlayer>): VersionBody {
  const copies = new Map<string, Player>();
  for (const [key, settings] of Object.entries(song.players)) {
    const { id, ...player } = band.get(key)!;
    copies.set(key, { ...player, ...defined(settings), id: makeId(), bandPlayerId: id });
  }
  const uses = Object.values(version.uses).sort(byOrder);
  const strums = new Map<string, StrumRow>();
  const riffs = new Map<string, Riff>();
  const notes: RiffNote[] = [];
  for (const { name, tab } of song.lines) {
    const { tuning, capo, ticks, notes: own } = unwrap(readTab(tab.join("\n"), { bar: 3840 }));
    const id = makeId();
    const order = orderAtEnd([...riffs.values()]);
    const settings = {
      way: "as written" as const,
      home: null,
      approach: false,
      strokes: "by turns" as const,
      homeKey: null,
      homeShift: null,
      ...UNSOURCED,
      ...UNVARIED,
    };
    riffs.set(name, {
      id,
      originId: null,
      order,
      name,
      tuning: formatTuning(tuning),
      capo,
      ticks,
      ...settings,
    });
    for (const note of own) notes.push({ ...note, id: makeId(), riffId: id });
  }
  const strumOf = (id: string): string => {
    const library = STRUM_LIBRARY.find((one) => one.id === id)!;
    const known = strums.get(id) ?? strumRow({ strums: byId([...strums.values()]) }, library, makeId);
    strums.set(id, known);
    return known.id;
  };
  const cells = song.cells.map(({ use, player, pattern, line, ...fields }): Cell => {
    const named = {
      ...(pattern === undefined ? {} : { strumId: strumOf(pattern) }),
      ...(line === undefined ? {} : { riffId: riffs.get(line)!.id }),
    };
    const place = { id: makeId(), useId: uses[use]!.id, playerId: copies.get(player)!.id };
    return { ...EMPTY_CELL, ...defined(fields), ...named, ...place };
  });
  const sections = Object.values(version.sections).map((section) => ({
    ...section,
    ...defined(song.sections[section.label] ?? {}),
  }));
  return {
    ...version,
    sections: byId(sections),
    players: byId([...copies.values()]),
    cells: byId(cells),
    strums: byId([...strums.values()]),
    riffs: byId([...riffs.values()]),
    riffNotes: byId(notes),
  };
}

const byId = <Row extends { readonly id: string }>(rows: readonly Row[]): Record<string, Row> =>
  Object.fromEntries(rows.map((row) => [row.id, row]));
