import { useMemo } from "react";
import { useStore } from "zustand";
import type { TakenCells } from "@/core/parts";
import { askEngine } from "@/engines/window";
import { type HeardLater, heardOnce } from "../../hear";
import { useCurrentVersion, useOpenSong } from "../../open";

/**
 * How the song would sound with cells of a proposal in it.
 * @param cells by use and player, in the order of the sheet; the same value while they are the same
 */
export function useHeardCells(cells: TakenCells["cells"]): () => HeardLater {
  const current = useCurrentVersion();
  const { version } = useOpenSong();
  const revision = useStore(version.state, ({ replica }) => replica.revision);
  // biome-ignore lint/correctness/useExhaustiveDependencies: an edit makes it another song
  return useMemo(
    () =>
      heardOnce(async () => {
        const heard = await askEngine("hear-cells", { body: current(), cells });
        return heard.ok ? heard.value : null;
      }),
    [current, cells, revision],
  );
}
