import type { Pattern } from "../../src/core/rhythm";
import { STROKE_WORDS, type StrumLanguage } from "../../src/core/rhythm/strum/stroke-words";

/** A strum in the words of a language, every place of it: what must be read back as the same. */
export const sayStrum = ({ strokes }: Pick<Pattern, "strokes">, language: StrumLanguage): string =>
  strokes
    .map(({ kind }) => {
      const words = STROKE_WORDS[language];
      return (kind === "down" || kind === "up" || kind === "dead" ? words[kind] : words.rest)[0]!;
    })
    .join(", ");
