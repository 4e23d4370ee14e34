/** Made-up songs in any number: each its own title, key, words and chords, as ChordPro. */
const FIRST = ["Lantern", "Harbour", "Rope", "Tide", "Ember", "Gull", "Salt", "Kettle", "Mooring", "Quay"];
const SECOND = ["Song", "Waltz", "Light", "Road", "Morning", "Bell", "Window", "Weather", "Home", "Letter"];
const WORDS = "light water rope harbour evening somebody carries home across slow tide under open sky".split(
  " ",
);
const KEYS = ["C", "G", "D", "A", "E", "F", "Bb", "Eb", "Am", "Em", "Dm", "F#m"];
const CHORDS = [
  "C",
  "G",
  "D",
  "A",
  "E",
  "F",
  "Bb",
  "Eb",
  "Am",
  "Em",
  "Dm",
  "Bm",
  "F#m",
  "Gm7",
  "Cadd9",
  "D/F#",
];

/** The song of a number; the same number gives the same song. */
export function song(number) {
  const pick = (list, salt) =>
    list[(number * 7 + salt * 13 + Math.floor(number / list.length)) % list.length];
  const title = `${pick(FIRST, 1)} ${pick(SECOND, 2)} ${number}`;
  const line = (at) =>
    [0, 1, 2, 3]
      .map(
        (word) => `[${pick(CHORDS, at + word)}]${pick(WORDS, at * 3 + word)} ${pick(WORDS, at + word * 5)}`,
      )
      .join(" ");
  const part = (name, from) =>
    `{start_of_${name}}\n${[0, 1, 2, 3].map((at) => line(from + at)).join("\n")}\n{end_of_${name}}\n`;
  return {
    name: `song-${number}.cho`,
    text: `{title: ${title}}\n{artist: Made Up ${number % 90}}\n{key: ${pick(KEYS, 3)}}\n{tempo: ${60 + (number % 80)}}\n{time: ${number % 5 === 0 ? "6/8" : "4/4"}}\n{tag: set ${number % 12}}\n${part("verse", 0)}${part("chorus", 20)}{chorus}\n${part("bridge", 40)}{chorus}\n`,
  };
}
