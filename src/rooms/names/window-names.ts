import { z } from "zod";
import { createStore } from "zustand/vanilla";
import { ACCIDENTALS } from "@/core/pitch";
import { type NamesChoice, OWN_NAMES } from "@/core/song/names";
import { READS, WRITINGS } from "@/core/song/schema";

/** Under this name a window keeps how names are told in it, for as long as it is open. */
const KEPT_AS = "shared-lantern names";

const choiceSchema = z.object({
  shows: z.enum(READS).nullable().catch(null),
  of: z.string().max(64).nullable().catch(null),
  writing: z.enum(WRITINGS).nullable().catch(null),
  accidentals: z.enum(ACCIDENTALS).nullable().catch(null),
});

/** How names are told in this window. It begins with each their own, so that a page drawn by the server is the same. */
export const windowNames = createStore<NamesChoice>(() => OWN_NAMES);

/** Chooses how names are told in this window, in every room of every song. */
export function chooseNames(choice: Partial<NamesChoice>): void {
  windowNames.setState(choice);
  try {
    sessionStorage.setItem(KEPT_AS, JSON.stringify(windowNames.getState()));
  } catch {
    // A window that may keep nothing tells names so until it is loaded again.
  }
}

/** Takes up what this window kept. */
function takeUp(): void {
  try {
    const kept = sessionStorage.getItem(KEPT_AS);
    if (kept !== null) windowNames.setState(choiceSchema.parse(JSON.parse(kept)));
  } catch {
    // What can't be read is as if nothing was chosen.
  }
}
if (typeof window !== "undefined") takeUp();

/**
 * A choice as an address carries it to a page the server makes: a stage, a print.
 * @example queryOf({ ...OWN_NAMES, writing: "syllables" }) // => "?writing=syllables"
 */
export function queryOf(choice: NamesChoice): string {
  const said = Object.entries(choice).filter((entry): entry is [string, string] => entry[1] !== null);
  return said.length === 0 ? "" : `?${new URLSearchParams(said)}`;
}

/** Reads a choice from an address; what it does not say, or says wrongly, is each their own. */
export function choiceOfQuery(query: Readonly<Record<string, string | string[] | undefined>>): NamesChoice {
  const { shows = null, of = null, writing = null, accidentals = null } = query;
  return choiceSchema.parse({ shows, of, writing, accidentals });
}
