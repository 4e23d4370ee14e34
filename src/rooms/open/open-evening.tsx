"use client";

import { createContext, type ReactNode, useContext, useEffect, useState } from "react";
import { useStore } from "zustand";
import type { EveningCommand } from "@/core/song/edit";
import { DOCUMENTS, type EveningBody, type EveningTables } from "@/core/song/schema";
import { createHistory, type DocumentStore, type History, type Loaded } from "@/document/client";
import { openStore } from "./open-store";

type Open = { readonly evening: DocumentStore<EveningTables>; readonly history: History };

const OpenEvening = createContext<Open | null>(null);

/** Opens an evening for all that is below. */
export function OpenEveningProvider({
  evening,
  children,
}: {
  evening: Loaded<EveningTables>;
  children: ReactNode;
}) {
  const [open] = useState<Open>(() => {
    const store = openStore(DOCUMENTS.evening, evening);
    return { evening: store, history: createHistory([store], `history ${evening.id}`) };
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
  useStore(useOpenEvening().evening.state, (state) => state.replica.view);

/** Asks for the evening at the moment of an act. */
export function useCurrentEvening(): () => EveningBody {
  const { evening } = useOpenEvening();
  return () => evening.state.getState().replica.view;
}

/** Edits of the evening; each can be taken back. */
export function useActOnEvening(): (command: EveningCommand) => void {
  const { history, evening } = useOpenEvening();
  return (command) => history.act(evening, command);
}
