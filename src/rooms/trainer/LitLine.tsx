import type { SungWord } from "@/core/song/moments";

/** The line that is sung, with the word sung now lit. @param at its place among the words; -1 before the first */
export function LitLine({ words, at }: { words: readonly SungWord[]; at: number }) {
  const line = words[Math.max(0, at)]?.line;
  return (
    <span className="ml-3">
      {words.map((word, index) =>
        word.line === line ? (
          <span key={`${word.tick} ${index}`} className={index === at ? "bg-primary" : ""}>
            {word.text}{" "}
          </span>
        ) : null,
      )}
    </span>
  );
}
