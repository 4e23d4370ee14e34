import { readSheet } from "../src/core/formats";
const show = (text: string) => {
  const s = readSheet(text, { format: "auto" });
  console.log("-----", JSON.stringify(text.slice(0, 60)), s.key, s.keySure, "capo", s.capo, s.exact);
  for (const sec of s.sections) {
    console.log(` [${sec.label}] ${sec.kind}`);
    for (const l of sec.lines) console.log("   ", JSON.stringify(l.words), l.chords.map((c) => `${c.symbol}@${c.at}:${c.ticks / 960}${c.guessed ? "?" : ""}`).join(" "));
  }
  console.log("  form", s.form.map((u) => `${u.section}x${u.repeat}`).join(" "), "problems", s.problems.map((p) => `${p.code}@${p.line}:${p.column} ${p.text}`), "losses", s.losses.map((l) => l.what));
};
show(`[Verse]
| G     | C       | D   | G |
Give the way to the count of my own heart
| G  C | D |
Give way
`);
show(`[Verse]
[G]Give | way to | [C]the | count`);
show(`| G | C | D | G |
Give way to the count and the harbour light is home again
`);
show(`A4 D4
walking home
E4 A4
all alone`);
show(`A4 D4
walking home
E2 A2
all alone`);
show(`Chorus
A D E A

Verse
G C
some words
`);
show(`Morning
A D E A

Evening
G C D G
`);
show(`[Verse]
G C
words
[Solo]

[Chorus]
G
x
[Verse]
`);
show(`Key: Bb
Capo: 3
G C
words here
D G
more words`);
show(`Key: G
Capo: 3
G C
words here
D G
more words`);
show(`Capo: 3
G C
words here
D G
more words`);
show(`Key: E
Capo 4 (play in C, sounds in E)
C F
words here
G C
more words`);
