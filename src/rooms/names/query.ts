import { ACCIDENTALS } from "@/core/pitch";
import type { NamesChoice } from "@/core/song/names";
import { LINE_READS, READS, WRITINGS } from "@/core/song/schema";

const LONGEST_NAME = 60;

const oneOf = <One extends string>(known: readonly One[], value: unknown): One | null =>
  known.find((one) => one === value) ?? null;

/** A choice from outside; what is wrong in it, or missing, is each their own. */
export function readChoice(kept: unknown): NamesChoice {
  const { shows, of, writing, accidentals, lines } = (
    typeof kept === "object" && kept !== null ? kept : {}
  ) as Readonly<Partial<Record<keyof NamesChoice, unknown>>>;
  return {
    shows: oneOf(READS, shows),
    of: typeof of === "string" && of.length <= LONGEST_NAME ? of : null,
    writing: oneOf(WRITINGS, writing),
    accidentals: oneOf(ACCIDENTALS, accidentals),
    lines: oneOf(LINE_READS, lines),
  };
}

/**
 * A choice as an address carries it to a page the server makes: a stage, a print.
 * @example queryOf({ ...OWN_NAMES, writing: "syllables" }) // => "?writing=syllables"
 */
export function queryOf(choice: NamesChoice): string {
  const said = Object.entries(choice).filter((entry): entry is [string, string] => entry[1] !== null);
  return said.length === 0 ? "" : `?${new URLSearchParams(said)}`;
}
