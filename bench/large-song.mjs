/** A made-up sheet of many sections, eight lines of four chords each. */
export function largeSheet(sections) {
  const chords = ["G", "D/F#", "Em7", "Cadd9", "Am7", "Bm", "C", "Dsus4"];
  const lines = (from) =>
    Array.from({ length: 8 }, (_, line) => {
      const names = Array.from({ length: 4 }, (_, at) => chords[(from + line + at) % chords.length]);
      return `| ${names.map((name) => name.padEnd(12)).join("| ")}\n  ${names.map((_, at) => `word${from}-${line}-${at}`.padEnd(14)).join("")}`;
    }).join("\n");
  return `Title: Long night ${sections}\nKey: G\n${Array.from({ length: sections }, (_, at) => `\n[Verse ${at + 1}]\n${lines(at)}`).join("\n")}\n`;
}

export function quantiles(values) {
  const sorted = [...values].sort((a, b) => a - b);
  const at = (share) => sorted[Math.min(sorted.length - 1, Math.floor(share * sorted.length))];
  return { median: at(0.5), p95: at(0.95), most: sorted.at(-1) };
}
