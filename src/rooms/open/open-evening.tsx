"use client";

import { createContext, type ReactNode, useContext, useEffect, useState } from "react";
import { useStore } from "zustand";
import type { Command, EveningBody } from "@/core/song";
import { createHistory, type History } from "@/document/client/history";
import { makeId } from "@/document/client/ids";
import { browserQueue } from "@/document/client/queue";
import { createDocumentStore, type DocumentStore } from "@/document/client/store";
import { httpTransport } from "@/document/client/transport";
import type { LoadedDocument } from "./open-song";

type Open = { readonly evening: DocumentStore; readonly history: History };

const OpenEvening = createContext<Open | null>(null);

/** Opens an evening for all that is below. */
export function OpenEveningProvider({ evening, children }: { evening: LoadedDocument; children: ReactNode }) {
  const [open] = useState<Open>(() => {
    const { id, kind, revision, body } = evening;
    const parts = { queue: browserQueue(id), transport: httpTransport(id), makeId };
    const store = createDocumentStore(id, kind, revision, body, parts);
    return { evening: store, history: createHistory([store], `history ${id}`) };
  });
  useEffect(() => open.evening.start(), [open]);
  return <OpenEvening.Provider value={open}>{children}</OpenEvening.Provider>;
}

export function useOpenEvening(): Open {
  const open = useContext(OpenEvening);
  if (!open) throw new Error("Expected an OpenEveningProvider above this component.");
  return open;
}

/** The evening as this window shows it. */
export const useEvening = (): EveningBody =>
  useStore(useOpenEvening().evening.state, (state) => state.replica.view as unknown as EveningBody);

/** Asks for the evening at the moment of an act. */
export function useCurrentEvening(): () => EveningBody {
  const { evening } = useOpenEvening();
  return () => evening.state.getState().replica.view as unknown as EveningBody;
}

/** Edits of the evening; each can be taken back. */
export function useActOnEvening(): (command: Command) => void {
  const { history, evening } = useOpenEvening();
  return (command) => history.act(evening, command);
}
