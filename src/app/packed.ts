import { changeOver, describeOwnChange, type SongEdges, songEdges } from "@/core/evenings";
import { layerPasses } from "@/core/loops";
import { bandSheet, playsInBar } from "@/core/parts";
import { type HeardPart, type HeardSong, heardParts, loopedParts } from "@/core/practice";
import type { NamesChoice } from "@/core/song/names";
import type { VersionBody } from "@/core/song/schema";
import {
  coldInstrumentOf,
  type LiveItem,
  type PackedSong,
  passagesOf,
  type StagePack,
  type StagePart,
  type StageReady,
} from "@/core/stage";
import { playerOf } from "@/rooms/stage/pack";
import { openSong } from "@/server/songs/open-song";
import { plannedLoops } from "@/server/songs/planned-feet";
import { coldPartIn, onlookerIn, partIn } from "./part-in";

/** So much that has been worked out is kept: fifty phones ask for the same. */
const MOST_KEPT = 300;

/** Keeps what a key stands for until newer things have pushed it out. */
function keeping<Value>(): (key: string, make: () => Promise<Value>) => Promise<Value> {
  const kept = new Map<string, Promise<Value>>();
  return (key, make) => {
    const known = kept.get(key);
    if (known) return known;
    const made = make();
    kept.set(key, made);
    made.catch(() => kept.delete(key));
    for (const oldest of kept.keys()) {
      if (kept.size <= MOST_KEPT) break;
      kept.delete(oldest);
    }
    return made;
  };
}

/** Parts by version, revision, player and names; how songs begin and end by version and revision. */
const keptPart = keeping<StagePart>();
const keptEnds = keeping<{ readonly edges: SongEdges; readonly begins: readonly string[] }>();

const keptHeard = keeping<HeardSong>();

/** A song as it can be heard. */
export function heardSong(
  versionId: string,
  revision: number,
  title: string,
  body: VersionBody,
): Promise<HeardSong> {
  const make = async (): Promise<HeardSong> => {
    const parts: HeardPart[] = [];
    for (const part of heardParts(body)) {
      parts.push(part);
      // Between two hands an evening’s events may pass.
      await new Promise((resolve) => setImmediate(resolve));
    }
    parts.push(...(await heardLoops(body)));
    return { versionId, revision, title, passages: passagesOf(body), parts };
  };
  return keptHeard(`${versionId} ${revision} ${title}`, make);
}

/** What goes round on the song's looper, as it is planned; nothing where there is no plan. */
async function heardLoops(body: VersionBody): Promise<HeardPart[]> {
  if (Object.keys(body.loopLayers).length === 0) return [];
  const { song, plan } = await plannedLoops(body);
  return plan ? loopedParts(song, plan, layerPasses(body, song)) : [];
}

/** All songs of a running order as one person plays them. */
export async function packOf(
  items: readonly LiveItem[],
  person: string,
  choice: NamesChoice,
): Promise<StagePack> {
  const songs: PackedSong[] = [];
  let before: SongEdges | null = null;
  for (const { id, versionId } of items) {
    const opened = versionId === null ? null : await openSong(versionId);
    if (!opened || versionId === null) continue;
    const { revision, body } = opened.version;
    const part = await partOf(`${versionId} ${revision}`, body, person, choice);
    const { edges, begins } = await keptEnds(`${versionId} ${revision}`, async () => ({
      edges: songEdges(body),
      begins: whoBegins(body),
    }));
    songs.push({ itemId: id, versionId, revision, part, ready: readyFor(person, before, edges, begins) });
    before = edges;
  }
  return { person, songs };
}

function partOf(version: string, body: VersionBody, person: string, choice: NamesChoice): Promise<StagePart> {
  const cold = coldInstrumentOf(person);
  const player = cold ? null : playerOf(body, person);
  return keptPart(`${version} ${cold ? person : (player?.id ?? "")} ${JSON.stringify(choice)}`, async () => {
    if (cold) return (await coldPartIn(body, cold, choice)).part;
    return player ? partIn(body, player.id, choice) : onlookerIn(body, choice);
  });
}

/** Who plays from the first bar of a song on, by name. */
function whoBegins(body: VersionBody): string[] {
  const [first] = bandSheet(body).rows;
  return first?.parts.flatMap((part) => (!part.out && playsInBar(part, 0) ? [part.player.name] : [])) ?? [];
}

/** What one person gets ready between two songs. */
function readyFor(
  person: string,
  before: SongEdges | null,
  edges: SongEdges,
  begins: readonly string[],
): StageReady {
  const { changes } = changeOver(before?.ends ?? [], edges.starts);
  const own = changes.filter((change) => change.person === person);
  return {
    changes: own.map(describeOwnChange),
    seconds: own.reduce((sum, { seconds }) => sum + seconds, 0),
    begins,
  };
}
