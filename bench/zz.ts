import { sure } from "../src/core/base";
import { parseChord } from "../src/core/chord";
import { GUITAR_TUNING, parseTuning } from "../src/core/pitch";
import { planted } from "../src/core/fretboard";
const tuning = sure(parseTuning(GUITAR_TUNING));
for (const [text, rep, capos] of [["G Em C D",4,[0]],["G Em C D",4,[0,1,2,3,4,5,6,7]],["G D Em C Am D Bm C G",2,[0,2,3]],["G D/F# Em7 C Am7 D7sus4 D Bm F#m7 B7 Em",6,[0,2]]] as const) {
  const one=text.split(" ");
  const ev=Array.from({length:one.length*rep},(_,i)=>({kind:"chord" as const,chord:sure(parseChord(one[i%one.length]!)),beats:4}));
  const t=performance.now();
  const r=sure(planted(ev,{tuning,capos:[...capos],allow:["sus2","sus4","add9","7"],beatMs:500}));
  console.log(text,rep,capos.length,(performance.now()-t).toFixed(0),"ms exact",r.exact);
  for(const p of r.front) console.log("  ",p.capo,p.held.toFixed(2),p.effort.toFixed(2),p.faithfulness.toFixed(2),p.words,p.path.slice(0,one.length).map(f=>f.is+" "+f.frets.map(x=>x??"x").join("")).join(" | "));
}
