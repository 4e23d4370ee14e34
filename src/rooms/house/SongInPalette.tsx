"use client";

import { useRouter } from "next/navigation";
import { useMemo } from "react";
import { byOrder } from "@/document";
import { type PaletteGroup, usePaletteGroups } from "../frame";
import { derive, useDerivedLater, useOpenSong, useRowsLater } from "../open";
import { ROOMS } from "./rail";

/** What the palette can go to and do in the open song: its rooms and their pages, sections, players, steps back. */
export function SongInPalette() {
  const router = useRouter();
  const { version, history } = useOpenSong();
  const outline = useDerivedLater(derive.outline);
  const { players } = useRowsLater("players");
  const groups = useMemo((): readonly PaletteGroup[] => {
    const go = (path: string) => () => router.push(`/song/${version.id}${path}`);
    const those = Object.values(players).sort(byOrder);
    return [
      {
        heading: "Rooms of this song",
        acts: [
          ...ROOMS.map(({ name, does, path }) => ({ name, words: [does], run: go(path) })),
          ...PAGES.map(({ name, path }) => ({ name, run: go(path) })),
          { name: "Print the sheets", run: () => router.push(`/print/${version.id}`) },
        ],
      },
      {
        heading: "Sections",
        acts: outline.sections.map(({ section }) => ({
          name: `${section.label}: its words, chords and bars`,
          words: [section.id],
          run: go(`#section-${section.id}`),
        })),
      },
      {
        heading: "Players",
        acts: those.map(({ id, name }) => ({
          name: `${name}’s stage`,
          words: [id],
          run: () => router.push(`/stage/${version.id}/${id}`),
        })),
      },
      {
        heading: "Acts",
        acts: [
          { name: "Undo", words: ["take back"], keys: "Mod+z", run: history.undo },
          { name: "Redo", words: ["do again"], keys: "Mod+Shift+z", run: history.redo },
        ],
      },
    ];
  }, [router, version.id, history, outline, players]);
  usePaletteGroups("song", groups);
  return null;
}

/** Pages inside the rooms. */
const PAGES = [
  { name: "Song: versions and what has happened", path: "/versions" },
  { name: "Song: evidence of several sources", path: "/evidence" },
  { name: "Keys: shapes to learn", path: "/keys/shapes" },
  { name: "Keys: shape book", path: "/keys/book" },
  { name: "Keys: planted fingers", path: "/keys/planted" },
  { name: "Keys: the neck", path: "/keys/neck" },
  { name: "Keys: tuning", path: "/keys/tuning" },
  { name: "Parts: split for me", path: "/parts/split" },
  { name: "Parts: two guitars as two instruments", path: "/parts/two-guitars" },
  { name: "Parts: judgement", path: "/parts/judgement" },
  { name: "Parts: patterns", path: "/parts/patterns" },
  { name: "Parts: lines", path: "/parts/lines" },
  { name: "Loops: feet and tracks", path: "/loops/feet" },
  { name: "Loops: the box", path: "/loops/box" },
  { name: "Loops: play it", path: "/loops/play" },
  { name: "Sounds: banks and presses", path: "/sounds/banks" },
  { name: "Sounds: the box", path: "/sounds/box" },
  { name: "Sounds: times and harmony", path: "/sounds/times" },
  { name: "Sounds: for an evening", path: "/sounds/evening" },
  { name: "Sounds: play it", path: "/sounds/play" },
] as const;
