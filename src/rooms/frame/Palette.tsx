"use client";

import { Command } from "cmdk";
import { useRouter } from "next/navigation";
import { type KeyboardEvent, type RefObject, useEffect, useRef, useState } from "react";
import { useStore } from "zustand";
import { call, namesOfEvenings, type ShelfSong, searchShelf, WHOLE_SHELF } from "@/api";
import { showKeys } from "@/ui/keys";
import { frame, type PaletteAct, type PaletteGroup, showFrame } from "./frame-store";
import { isMac } from "./is-mac";

/** So many songs of the shelf are offered at once; more letters find the others. */
const MOST_SONGS = 12;

/** Everything the program can do or go to from here, found by typing. */
export function Palette() {
  const router = useRouter();
  const dialog = useRef<HTMLDialogElement>(null);
  const [query, setQuery] = useState("");
  const groups = useStore(frame, (state) => state.groups);
  const songs = useSongs(query);
  const evenings = useEvenings();
  const input = useRef<HTMLInputElement>(null);
  const onEnter = useEnter(dialog, query, songs.isThere && evenings.isThere);
  useEffect(() => {
    dialog.current?.showModal();
    input.current?.focus();
  }, []);
  useTrueDescendant(dialog);
  const close = () => dialog.current?.close();
  const go = (href: string) => () => router.push(href);
  const pages: PaletteGroup = {
    heading: "Pages",
    acts: [
      { name: "First page and shelf", words: ["home"], run: go("/") },
      { name: "Make a new song", words: ["paste", "sheet"], run: go("/new") },
      { name: "Bring many songs", words: ["files", "folder"], run: go("/bring") },
      { name: "Keys and help", keys: "?", run: () => showFrame("help") },
    ],
  };
  const all: readonly PaletteGroup[] = [
    ...[...groups.values()].flat(),
    {
      heading: "Songs",
      acts: songs.rows.map(({ versionId, title, versionName, key }) => ({
        name: `${title}, ${versionName}, in ${key}`,
        words: [versionId],
        run: go(`/song/${versionId}`),
      })),
    },
    {
      heading: "Evenings",
      acts: evenings.rows.map(({ id, name }) => ({ name, words: [id], run: go(`/evening/${id}`) })),
    },
    pages,
  ];
  return (
    <dialog
      ref={dialog}
      className="modal items-start !transition-none"
      aria-label="Find anything"
      onClose={() => leave()}
    >
      <div className="modal-box mt-[10dvh] flex max-h-[75dvh] max-w-xl flex-col p-0">
        <Command label="Find anything" className="flex min-h-0 flex-col" loop onKeyDown={onEnter}>
          <Command.Input
            ref={input}
            value={query}
            onValueChange={setQuery}
            placeholder="A room, song, evening, section, player, act"
            className="input input-lg w-full shrink-0 rounded-b-none border-0 border-b border-base-300"
          />
          <Command.List className="min-h-0 overflow-y-auto p-2">
            <Command.Empty className="p-3">
              {songs.isThere && evenings.isThere ? "Nothing is called so." : "Looking…"}
            </Command.Empty>
            {all
              .filter(({ acts }) => acts.length > 0)
              .map(({ heading, acts }) => (
                <Command.Group
                  key={heading}
                  heading={heading}
                  className="[&_[cmdk-group-heading]]:px-3 [&_[cmdk-group-heading]]:pt-3 [&_[cmdk-group-heading]]:pb-1 [&_[cmdk-group-heading]]:text-sm [&_[cmdk-group-heading]]:font-bold"
                >
                  {acts.map((act) => (
                    <Item
                      key={`${act.name} ${act.words?.[0] ?? ""}`}
                      heading={heading}
                      act={act}
                      onDone={close}
                    />
                  ))}
                </Command.Group>
              ))}
          </Command.List>
        </Command>
      </div>
      <form method="dialog" className="modal-backdrop">
        <button type="submit">Close</button>
      </form>
    </dialog>
  );
}

/**
 * Keeps what a screen reader is told of the chosen item true: the library forgets to when the item it has chosen is drawn
 * anew under another id, as happens when songs come from the server.
 */
function useTrueDescendant(dialog: RefObject<HTMLElement | null>): void {
  useEffect(() => {
    const root = dialog.current;
    if (!root) return;
    const correct = () => {
      const chosen = root.querySelector('[cmdk-item][aria-selected="true"]')?.id ?? null;
      for (const element of root.querySelectorAll("[cmdk-input], [cmdk-list]"))
        if (element.getAttribute("aria-activedescendant") !== chosen) {
          if (chosen === null) element.removeAttribute("aria-activedescendant");
          else element.setAttribute("aria-activedescendant", chosen);
        }
    };
    const observer = new MutationObserver(correct);
    observer.observe(root, {
      subtree: true,
      childList: true,
      attributeFilter: ["aria-selected", "aria-activedescendant"],
    });
    return () => observer.disconnect();
  }, [dialog]);
}

/** The list of keys may have been asked for meanwhile. */
const leave = () => {
  if (frame.getState().shown === "palette") showFrame(null);
};

function Item({ heading, act, onDone }: { heading: string; act: PaletteAct; onDone: () => void }) {
  return (
    <Command.Item
      value={`${heading} ${act.name} ${act.words?.join(" ") ?? ""}`}
      onSelect={() => {
        onDone();
        act.run();
      }}
      className="flex cursor-pointer items-center gap-3 rounded-field px-3 py-2 data-[selected=true]:bg-base-300"
    >
      <span className="mr-auto">{act.name}</span>
      {act.keys && <kbd className="font-mono text-sm">{showKeys(act.keys, isMac())}</kbd>}
    </Command.Item>
  );
}

/**
 * Enter before the songs and evenings of what is typed are there waits for them, so that it never takes what stood first
 * by chance; an act that begins with what is typed is done at once.
 * @returns what the list of finds does on a key
 */
function useEnter(dialog: RefObject<HTMLElement | null>, query: string, isThere: boolean) {
  const [waits, setWaits] = useState<string | null>(null);
  useEffect(() => {
    if (waits === null || !isThere) return;
    setWaits(null);
    // The library chooses the first of a new list a moment after it is drawn.
    if (waits === query) requestAnimationFrame(() => chosenIn(dialog.current)?.click());
  }, [waits, isThere, query, dialog]);
  return (event: KeyboardEvent<HTMLElement>) => {
    if (event.key !== "Enter" || event.nativeEvent.isComposing || isThere) return;
    const typed = query.trim().toLowerCase();
    const chosen = chosenIn(dialog.current)?.textContent.toLowerCase() ?? "";
    if (typed !== "" && chosen.startsWith(typed)) return;
    event.preventDefault();
    setWaits(query);
  };
}

const chosenIn = (root: HTMLElement | null) =>
  root?.querySelector<HTMLElement>('[cmdk-item][aria-selected="true"]');

/** What the server was asked for, and whether it is the answer to what is asked now (or there will be none). */
type Found<Row> = { readonly rows: readonly Row[]; readonly isThere: boolean };

/** Songs whose title or words hold what is typed, from the server. */
function useSongs(query: string): Found<ShelfSong> {
  const [rows, setRows] = useState<readonly ShelfSong[]>([]);
  const [answered, setAnswered] = useState<string | null>(null);
  useEffect(() => {
    let isCurrent = true;
    const timer = setTimeout(
      async () => {
        const found = await call(searchShelf, {
          sent: { ...WHOLE_SHELF, q: query.trim().slice(0, 100), limit: MOST_SONGS },
        });
        if (!isCurrent) return;
        if (found.ok) setRows(found.answer.rows);
        setAnswered(query);
      },
      query === "" ? 0 : 120,
    );
    return () => {
      isCurrent = false;
      clearTimeout(timer);
    };
  }, [query]);
  return { rows, isThere: answered === query };
}

function useEvenings(): Found<{ readonly id: string; readonly name: string }> {
  const [rows, setRows] = useState<readonly { readonly id: string; readonly name: string }[]>([]);
  const [isThere, setIsThere] = useState(false);
  useEffect(() => {
    let isCurrent = true;
    void call(namesOfEvenings, {}).then((found) => {
      if (!isCurrent) return;
      if (found.ok) setRows(found.answer.evenings);
      setIsThere(true);
    });
    return () => {
      isCurrent = false;
    };
  }, []);
  return { rows, isThere };
}
