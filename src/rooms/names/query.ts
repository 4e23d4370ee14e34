import { ACCIDENTALS } from "@/core/pitch";
import type { NamesChoice } from "@/core/song/names";
import { LINE_READS, LONGEST_PLAYER_NAME, READS, WRITINGS } from "@/core/song/schema";

const oneOf = <One extends string>(known: readonly One[], value: unknown): One | null =>
  known.find((one) => one === value) ?? null;

/** A choice from outside; what is wrong in it, or missing, is each their own. */
export function readChoice(kept: unknown): NamesChoice {
  const { shows, of, writing, accidentals, lines } = (
    typeof kept === "object" && kept !== null ? kept : {}
  ) as Readonly<Partial<Record<keyof NamesChoice, unknown>>>;
  return {
    shows: oneOf(READS, shows),
    of: typeof of === "string" && of.length <= LONGEST_PLAYER_NAME ? of : null,
    writing: oneOf(WRITINGS, writing),
    accidentals: oneOf(ACCIDENTALS, accidentals),
    lines: oneOf(LINE_READS, lines),
  };
}

/** What is chosen, without what is left to each. @example saidOf({ ...OWN_NAMES, shows: "degrees" }) // => { shows: "degrees" } */
export const saidOf = (choice: NamesChoice): Said =>
  Object.fromEntries(Object.entries(choice).filter(([, one]) => one !== null));

type Said = { readonly [Field in keyof NamesChoice]?: NonNullable<NamesChoice[Field]> };

/**
 * A choice as an address carries it to a page the server makes: a stage, a print.
 * @example queryOf({ ...OWN_NAMES, writing: "syllables" }) // => "?writing=syllables"
 */
export function queryOf(choice: NamesChoice): string {
  const said = String(new URLSearchParams(saidOf(choice)));
  return said === "" ? "" : `?${said}`;
}
