"use client";

import { createContext, type ReactNode, useContext, useEffect, useState } from "react";
import { type StoreApi, useStore } from "zustand";
import { createStore } from "zustand/vanilla";
import type { BandBody, Body, Command, Kind, SongBody, VersionBody } from "@/core/song";
import { createHistory, type History } from "@/document/client/history";
import { makeId } from "@/document/client/ids";
import { browserQueue } from "@/document/client/queue";
import { createDocumentStore, type DocumentState, type DocumentStore } from "@/document/client/store";
import { httpTransport } from "@/document/client/transport";
import { useAfterPaint } from "@/ui/use-after-paint";

export { makeId } from "@/document/client/ids";
export type { DocumentStore, Saving } from "@/document/client/store";
export type { FormRow } from "./derive";
export * as derive from "./derive";

export type LoadedDocument = {
  readonly id: string;
  readonly kind: Kind;
  readonly revision: number;
  readonly body: Body;
};

type Open = {
  readonly version: DocumentStore;
  readonly song: DocumentStore;
  /** Null where no band has been made. */
  readonly band: DocumentStore | null;
  readonly history: History;
};

const OpenSong = createContext<Open | null>(null);
const Calm = createContext<VersionBody | null>(null);

const openStore = ({ id, kind, revision, body }: LoadedDocument): DocumentStore =>
  createDocumentStore(id, kind, revision, body, {
    queue: browserQueue(id),
    transport: httpTransport(id),
    makeId,
  });

/** Opens a version, its song and the band for all that is below. */
export function OpenSongProvider({
  version,
  song,
  band,
  children,
}: {
  version: LoadedDocument;
  song: LoadedDocument;
  band: LoadedDocument | null;
  children: ReactNode;
}) {
  const [open] = useState<Open>(() => {
    const stores = { version: openStore(version), song: openStore(song), band: band && openStore(band) };
    const all = [stores.version, stores.song, stores.band].filter((store) => store !== null);
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
      <CalmProvider>{children}</CalmProvider>
    </OpenSong.Provider>
  );
}

export function useOpenSong(): Open {
  const open = useContext(OpenSong);
  if (!open) throw new Error("Expected an OpenSongProvider above this component.");
  return open;
}

/** The version as this window shows it. */
export function useVersion(): VersionBody {
  return useStore(useOpenSong().version.state, (state) => state.replica.view as unknown as VersionBody);
}

/**
 * The version a moment later, where a key must be painted first: what is shown from it follows when there is time.
 * Acts must ask {@link useCurrentVersion}.
 */
export function useCalmVersion(): VersionBody {
  const body = useContext(Calm);
  if (!body) throw new Error("Expected an OpenSongProvider above this component.");
  return body;
}

/** One clock for all that may wait: nothing below it is drawn anew before the paint. */
function CalmProvider({ children }: { children: ReactNode }) {
  return <Calm.Provider value={useAfterPaint(useVersion())}>{children}</Calm.Provider>;
}

/** Asks for the version at the moment of an act, without drawing anew at each change. */
export function useCurrentVersion(): () => VersionBody {
  const { version } = useOpenSong();
  return () => version.state.getState().replica.view as unknown as VersionBody;
}

export function useSong(): SongBody {
  return useStore(useOpenSong().song.state, (state) => state.replica.view as unknown as SongBody);
}

const NO_BAND = createStore(() => null);

/** The band as this window shows it, or null where there is none. */
export function useBand(): BandBody | null {
  const { band } = useOpenSong();
  const view = useStore<StoreApi<unknown>, Body | null>(band ? band.state : NO_BAND, (state) =>
    state === null ? null : (state as DocumentState).replica.view,
  );
  return view as unknown as BandBody | null;
}

/** Edits of the band; nothing where there is none. */
export function useActOnBand(): (command: Command) => void {
  const { history, band } = useOpenSong();
  return (command) => {
    if (band) history.act(band, command);
  };
}

/** Edits of the version; each can be taken back. */
export function useAct(): (command: Command) => void {
  const { history, version } = useOpenSong();
  return (command) => history.act(version, command);
}

export function useActOnSong(): (command: Command) => void {
  const { history, song } = useOpenSong();
  return (command) => history.act(song, command);
}
