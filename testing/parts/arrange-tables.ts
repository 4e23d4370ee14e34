import { ARRANGE_SCHOOLS, ARRANGE_WEIGHTS, type ArrangeWeights } from "@/core/parts/arrange/case";
import { IDEAS } from "@/core/parts/arrange/ideas";
import { schoolWords } from "@/core/parts/arrange/schools";

/** What each term counts, as the page tells it. */
const VALUES: Readonly<Record<keyof ArrangeWeights, string>> = {
  register: "for each pair but two voices, semitones both registers share, by bars",
  rhythm: "for each pair that neither carries nor has the bass, drums apart: shared ÷ united onsets, by bars",
  bass: "bars with a chord and no bass, where the use needs one",
  voice: "semitones of each register but the bass’s and of voices inside the voice’s, by bars",
  crowd: "how far the number who play, voices not counted, is from the number wanted, by bars",
  full: "for each who plays, how far the idea is from how full the use is wanted ÷ 4, by bars; a bass counts half, drums ¾, a voice ¼; a voice that is out, half of how far over 2 is wanted",
  contrast:
    "for each two guitars ¼ for one technique, ¼ for one kind of hand, ¼ for one set of strings, ¼ for both long or both short, by bars",
  school: "what the school thinks of the idea, 0 to 1, by bars; ½ more for what is good once in a song",
  taste:
    "how much less the band likes the idea than what it likes best on that instrument in that kind of section: (taken − put aside) ÷ (taken + put aside + 4), by bars",
  role: "1 where nobody carries, 6 where a singer is there and the lead is not sung, 2 where two have the bass, 1 where somebody else has it than a bass player who is there, 1 where another singer leads than the first, by bars",
  change:
    "for each player from one use to the next, neither being out: 1 a new technique, 1 other strings, 1 another place on the neck, 1 another colour, ½ a new role",
  sounds: "for each player whose box has so many sounds, each colour more than those, once",
  identity: "for each player another idea than in the round before",
  same: "for each player an idea brought to a section that is had in another already: a guitar 1, keys ½, bass and drums ¼",
  idle: "for each who is out, bars × for how many uses (at most 4) they have been out before",
  energy: "how far round(4·(1 − Π(1 − light/8))) is from the energy, by bars",
};

/** The tables of docs/arrange.md, as the program has them. */
export const arrangeTables = (): Readonly<Record<"weights" | "schools" | "ideas", string>> => ({
  weights: [
    "| term | weight | value |\n|---|---|---|",
    ...Object.entries(ARRANGE_WEIGHTS).map(
      ([name, weight]) => `| ${name} | ${weight} | ${VALUES[name as keyof ArrangeWeights]} |`,
    ),
  ].join("\n"),
  schools: [
    "| school | what it is |\n|---|---|",
    ...ARRANGE_SCHOOLS.map((school) => `| ${school} | ${schoolWords(school)} |`),
  ].join("\n"),
  ideas: [
    "| idea | plays it | words | technique | figure | voicing, strings, place | needs | sung over | full | colour | leaves |",
    "|---|---|---|---|---|---|---|---|---|---|---|",
    ...IDEAS.map(
      ({
        id,
        instrument,
        words,
        technique,
        figure,
        style,
        strings,
        place,
        needs,
        singable,
        full,
        colour,
        frees,
      }) =>
        `| ${id} | ${instrument} | ${words} | ${technique} | ${figure} | ${style}, ${strings}, ${place} | ${needs} | ${singable ? "yes" : "no"} | ${full} | ${colour} | ${frees} |`,
    ),
  ].join("\n"),
});
