import { useEffect } from "react";
import { createStore } from "zustand/vanilla";

/** Something the palette offers. */
export type PaletteAct = {
  /** What happens, as a button says it. */
  readonly name: string;
  /** Other words it is found by. */
  readonly words?: readonly string[];
  /** Its key, as the table of keys writes it. */
  readonly keys?: string;
  readonly run: () => void;
};

export type PaletteGroup = { readonly heading: string; readonly acts: readonly PaletteAct[] };

type FrameState = {
  readonly shown: "palette" | "help" | null;
  /** What the page that is open offers, by who put it there. */
  readonly groups: ReadonlyMap<string, readonly PaletteGroup[]>;
};

export const frame = createStore<FrameState>(() => ({ shown: null, groups: new Map() }));

export const showFrame = (shown: FrameState["shown"]): void => frame.setState({ shown });

/** Lets the palette offer what this page can do, as long as it is open. @param id whose offers these are */
export function usePaletteGroups(id: string, groups: readonly PaletteGroup[]): void {
  useEffect(() => {
    frame.setState(({ groups: before }) => ({ groups: new Map(before).set(id, groups) }));
    return () =>
      frame.setState(({ groups: before }) => {
        const left = new Map(before);
        left.delete(id);
        return { groups: left };
      });
  }, [id, groups]);
}
