"use client";

import { createContext, type ReactNode, useContext, useEffect, useState } from "react";
import { type StoreApi, useStore } from "zustand";
import { useShallow } from "zustand/react/shallow";
import { createStore } from "zustand/vanilla";
import type { BandCommand, SongCommand, VersionCommand } from "@/core/song/edit";
import { Namer, readerBy, tellersBy } from "@/core/song/names";
import {
  type BandBody,
  type BandTables,
  DOCUMENTS,
  type SongBody,
  type SongTables,
  type VersionBody,
  type VersionTables,
} from "@/core/song/schema";
import {
  createHistory,
  type DocumentState,
  type DocumentStore,
  type History,
  type Loaded,
} from "@/document/client";
import { useAfterPaint } from "@/ui/use-after-paint";
import { windowNames } from "../names";
import { openStore } from "./open-store";

type Open = {
  readonly version: DocumentStore<VersionTables>;
  readonly song: DocumentStore<SongTables>;
  /** Null where no band has been made. */
  readonly band: DocumentStore<BandTables> | null;
  readonly history: History;
};

const OpenSong = createContext<Open | null>(null);
const AfterPaint = createContext<VersionBody | null>(null);

/** Opens a version, its song and the band for all that is below. */
export function OpenSongProvider({
  version,
  song,
  band,
  children,
}: {
  version: Loaded<VersionTables>;
  song: Loaded<SongTables>;
  band: Loaded<BandTables> | null;
  children: ReactNode;
}) {
  const [open] = useState<Open>(() => {
    const stores = {
      version: openStore(DOCUMENTS.version, version, (body) =>
        tellersBy(new Namer(body, readerBy(windowNames.getState(), body, null))),
      ),
      song: openStore(DOCUMENTS.song, song),
      band: band && openStore(DOCUMENTS.band, band),
    };
    const all = [stores.version, stores.song, ...(stores.band ? [stores.band] : [])];
    return { ...stores, history: createHistory(all, `history ${version.id}`) };
  });
  useEffect(() => {
    const stops = [open.version, open.song, open.band].map((store) => store?.start() ?? (() => {}));
    return () => {
      for (const stop of stops) stop();
    };
  }, [open]);
  return (
    <OpenSong.Provider value={open}>
      <AfterPaintProvider>{children}</AfterPaintProvider>
    </OpenSong.Provider>
  );
}

export function useOpenSong(): Open {
  const open = useContext(OpenSong);
  if (!open) throw new Error("Expected an OpenSongProvider above this component.");
  return open;
}

/** What a window asks of the version: the same answer while the tables it comes from are the same. */
type Select<Value> = (body: VersionBody) => Value;

/** Something worked out of the version; drawn anew only when it has become another. */
export function useDerived<Value>(select: Select<Value>): Value {
  return useStore(useOpenSong().version.state, (state) => select(state.replica.view));
}

/** Rows of some tables of the version; the same object while none of these tables has changed. */
export function useRows<Name extends keyof VersionBody>(...tables: readonly Name[]): Pick<VersionBody, Name> {
  return useDerived(useShallow((body) => pick(body, tables)));
}

/** The whole version, for what compares it as a whole. */
export const useWholeVersion = (): VersionBody => useDerived((body) => body);

/**
 * The same a moment later, where a key must be painted first: what is shown from it follows when there is time.
 * Acts must ask {@link useCurrentVersion}.
 */
export function useDerivedLater<Value>(select: Select<Value>): Value {
  return select(useWholeVersionLater());
}

export function useRowsLater<Name extends keyof VersionBody>(
  ...tables: readonly Name[]
): Pick<VersionBody, Name> {
  return useDerivedLater(useShallow((body) => pick(body, tables)));
}

/** The whole version a moment later, for plans that depend on nearly all of it. */
export function useWholeVersionLater(): VersionBody {
  const body = useContext(AfterPaint);
  if (!body) throw new Error("Expected an OpenSongProvider above this component.");
  return body;
}

const pick = <Name extends keyof VersionBody>(body: VersionBody, tables: readonly Name[]) =>
  Object.fromEntries(tables.map((table) => [table, body[table]])) as Pick<VersionBody, Name>;

/** One clock for all that may wait: nothing below it is drawn anew before the paint. */
function AfterPaintProvider({ children }: { children: ReactNode }) {
  return <AfterPaint.Provider value={useAfterPaint(useWholeVersion())}>{children}</AfterPaint.Provider>;
}

/** Asks for the version at the moment of an act, without drawing anew at each change. */
export function useCurrentVersion(): () => VersionBody {
  const { version } = useOpenSong();
  return () => version.state.getState().replica.view;
}

export function useSong(): SongBody {
  return useStore(useOpenSong().song.state, (state) => state.replica.view);
}

const NO_BAND = createStore<DocumentState<BandTables> | null>(() => null);

/** The band as this window shows it, or null where there is none. */
export function useBand(): BandBody | null {
  const { band } = useOpenSong();
  const state: Pick<
    StoreApi<DocumentState<BandTables> | null>,
    "getState" | "getInitialState" | "subscribe"
  > = band?.state ?? NO_BAND;
  return useStore(state, (now) => now?.replica.view ?? null);
}

/** Edits of the band; nothing where there is none. */
export function useActOnBand(): (command: BandCommand) => void {
  const { history, band } = useOpenSong();
  return (command) => {
    if (band) history.act(band, command);
  };
}

/** Edits of the version; each can be taken back. */
export function useAct(): (command: VersionCommand) => void {
  const { history, version } = useOpenSong();
  return (command) => history.act(version, command);
}

export function useActOnSong(): (command: SongCommand) => void {
  const { history, song } = useOpenSong();
  return (command) => history.act(song, command);
}
