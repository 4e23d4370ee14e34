import type { SheetLine, SheetProblem } from "../sheet";
import { type ChordToken, timesOf } from "./chord-line";
import { MOST_REPEATS } from "./heading";

const MOST_LINES = 4000;

/** Says a problem of a line, by its place in the text. */
export type SayAt = (code: SheetProblem["code"], line: number, source: number, text: string) => void;

/** Plays lines again where a text says so: "|: … :|", "x3" behind chords or behind words. */
export class Repeats {
  private open: { readonly from: number; readonly token: ChordToken; readonly line: number } | null = null;
  private count = 0;

  constructor(private readonly say: SayAt) {}

  /**
   * Adds a line to those of its section, and the lines its signs play again.
   * @param sung how often the words say to sing it
   * @param at where it stands, for what is said about it
   */
  add(lines: SheetLine[], line: SheetLine, tokens: readonly ChordToken[], sung: number, at: number): void {
    const mark = tokens.findLast((token) => token.kind === "repeat-mark");
    const opens = tokens.find((token) => token.kind === "repeat-open");
    const closes = tokens.find((token) => token.kind === "repeat-close");
    if (opens) {
      this.close();
      this.open = { from: lines.length, token: opens, line: at };
    }
    const times = mark ? timesOf(mark.text) : sung;
    lines.push(line);
    this.count++;
    const from = closes ? (this.open?.from ?? lines.length - 1) : lines.length - 1;
    const rounds = closes ? Math.max(2, times) : times;
    if (rounds > 1) this.play(lines, from, rounds, closes ?? mark ?? null, at);
    if (closes) this.open = null;
  }

  private play(lines: SheetLine[], from: number, times: number, token: ChordToken | null, at: number): void {
    const again = lines.slice(from);
    if (times > MOST_REPEATS || this.count + again.length * (times - 1) > MOST_LINES) {
      this.say("too-many-repeats", at, token?.source ?? 0, token?.text ?? `x${times}`);
      return;
    }
    for (let round = 1; round < times; round++) lines.push(...again);
    this.count += again.length * (times - 1);
  }

  /** Ends a section: a repeat that is still open is said. */
  close(): void {
    if (this.open) this.say("open-repeat", this.open.line, this.open.token.source, this.open.token.text);
    this.open = null;
  }
}
