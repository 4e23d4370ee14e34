import { byOrder } from "../../document";
import { type EveningCommand, eveningEdits } from "../song/edit";
import type { EveningBody, EveningItem } from "../song/schema";
import type { OrderCase } from "./best-order";
import { type Change, changeOver } from "./change-over";
import type { PlayerState, SongEdges } from "./player-states";

/** What lies between a song and the next one. */
export type Gap = {
  /** What must be changed now, and by whom. */
  readonly changes: readonly Change[];
  /** What somebody who sat out has had time for. */
  readonly meanwhile: readonly Change[];
  /** Who plays now and did not before, and who leaves, by name. */
  readonly comes: readonly string[];
  readonly goes: readonly string[];
  /** Seconds the change-over needs, and how many of them a talk or a pause between covers. */
  readonly seconds: number;
  readonly covered: number;
};

/** A place of the running order with when it begins, from the start of the evening. */
export type RunningRow = {
  readonly item: EveningItem;
  /** Null where the version is gone, or not read yet. */
  readonly edges: SongEdges | null;
  readonly from: number;
  readonly seconds: number;
  /** For a song that another one follows. */
  readonly gap: Gap | null;
};

export type RunningOrder = {
  readonly rows: readonly RunningRow[];
  /** Music, change-overs nobody covers, and everything else; together the length of the evening. */
  readonly music: number;
  readonly changeOver: number;
  readonly other: number;
};

export const itemsOf = (body: Pick<EveningBody, "items">): EveningItem[] =>
  Object.values(body.items).sort(byOrder);

/** Seconds of talks and pauses between an item and the next song. */
function coveredAfter(items: readonly EveningItem[], at: number): number {
  let seconds = 0;
  for (const { kind, minutes } of items.slice(at + 1)) {
    if (kind === "song") return seconds;
    seconds += minutes * 60;
  }
  return seconds;
}

/**
 * The evening from beginning to end: when each place begins, what changes between songs, how long it lasts.
 * @param edgesOf how the version of an item begins and ends; null while that is not known
 */
export function runningOrder(
  items: readonly EveningItem[],
  edgesOf: (item: EveningItem) => SongEdges | null,
): RunningOrder {
  let from = 0;
  const sums = { music: 0, changeOver: 0, other: 0 };
  /** How each person stood when they last played. */
  const left = new Map<string, PlayerState>();
  const rows = items.map((item, at): RunningRow => {
    const edges = item.kind === "song" ? edgesOf(item) : null;
    const seconds = item.kind === "song" ? (edges?.seconds ?? 0) : item.minutes * 60;
    const begins = from;
    from += seconds;
    sums[item.kind === "song" ? "music" : "other"] += seconds;
    const next = item.kind === "song" ? items.slice(at + 1).find(({ kind }) => kind === "song") : undefined;
    const after = next ? edgesOf(next) : null;
    for (const state of edges?.ends ?? []) left.set(state.person, state);
    if (!edges || !after) return { item, edges, from: begins, seconds, gap: null };
    const now = changeOver(edges.ends, after.starts);
    const present = new Set(edges.ends.map(({ person }) => person));
    const rested = [...left.values()].filter(({ person }) => !present.has(person));
    const covered = Math.min(now.seconds, coveredAfter(items, at));
    from += now.seconds - covered;
    sums.changeOver += now.seconds - covered;
    // Loops are not recorded beside a song.
    const meanwhile = changeOver(rested, after.starts).changes.filter(({ code }) => code !== "loops");
    return {
      item,
      edges,
      from: begins,
      seconds,
      gap: { ...now, meanwhile, covered },
    };
  });
  return { rows, ...sums };
}

/** The question of the best order: songs by their place now, talks and pauses staying where they are. */
export function orderCase(
  items: readonly EveningItem[],
  edgesOf: (item: EveningItem) => SongEdges | null,
): OrderCase {
  const songs = items.filter(({ kind }) => kind === "song");
  const edges = songs.map(edgesOf);
  const placed = (place: EveningItem["place"]): number | null => {
    const at = songs.findIndex((song) => song.place === place);
    return at < 0 ? null : at;
  };
  return {
    seconds: edges.map((from) =>
      edges.map((to) => (from && to ? changeOver(from.ends, to.starts).seconds : 0)),
    ),
    covered: items.flatMap((item, at) => (item.kind === "song" ? [coveredAfter(items, at)] : [])),
    pins: {
      opens: placed("opens"),
      last: placed("last"),
      before: songs.flatMap(({ beforeId }, at) => {
        const second = songs.findIndex(({ id }) => id === beforeId);
        return second < 0 ? [] : [[at, second] as const];
      }),
    },
  };
}

/** Puts songs in another order; what is no song stays at its place. @param order songs by their place now */
export function reorderSongs(items: readonly EveningItem[], order: readonly number[]): EveningCommand {
  const songs = items.filter(({ kind }) => kind === "song");
  return eveningEdits.batch(
    "Take the best order",
    order.flatMap((song, place) => {
      const [moved, at] = [songs[song]!, songs[place]!];
      return moved.id === at.id ? [] : [eveningEdits.set("items", moved.id, { order: at.order })];
    }),
  );
}
