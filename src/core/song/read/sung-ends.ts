/** Small words that most lines of a language have, others have not, and no chord is named by. */
const SMALL_WORDS = {
  english: "the and of you to in my is your with for are it we this that be all from will when where",
  others: [
    // French, Spanish, Portuguese, German, Italian.
    "le les du et est dans nous vous je tu mon ton sur pas qui que une pour avec au",
    "el los las en tu por con del se lo una como un mas al su sin para",
    "os no na meu seu por com um uma da não mais para você eu",
    "der die das und ich du ist in den dem ein eine nicht wir mit auf von zu mein dein",
    "il lo gli di che non per con ti un una del della sei nel sono tuo mio",
  ].join(" "),
} as const;

const ENGLISH: ReadonlySet<string> = new Set(SMALL_WORDS.english.split(" "));
const OTHERS: ReadonlySet<string> = new Set(
  SMALL_WORDS.others.split(" ").filter((word) => !ENGLISH.has(word)),
);

/** So much of a text tells its language. */
const ENOUGH = 8000;

/**
 * Whether an "e" at the end of words is sung, as in most languages sheets come in; not in English, which is taken where nothing
 * tells. By counting small words; a rule of thumb, no source.
 * @example areEndsSung("Die Liebe ist ein Licht") // => true
 */
export function areEndsSung(text: string): boolean {
  let [english, others] = [0, 0];
  for (const [word] of text
    .slice(0, ENOUGH)
    .toLowerCase()
    .matchAll(/\p{L}{2,}/gu)) {
    if (ENGLISH.has(word)) english++;
    else if (OTHERS.has(word)) others++;
  }
  return others > english;
}
