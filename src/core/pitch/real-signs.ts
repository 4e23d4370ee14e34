/** Note, key and chord names with real accidentals. @example realSigns("Bb/D#") // => "B♭/D♯" */
export const realSigns = (symbol: string): string =>
  symbol.replaceAll("#", "♯").replace(/(?<=[A-G])b+|b(?=\d)/gu, (flats) => "♭".repeat(flats.length));
