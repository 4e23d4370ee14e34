import type { TabLoss, TabProblem } from "./tab-line";

export function describeTabProblem(problem: TabProblem): string {
  switch (problem.code) {
    case "no-tab":
      return "No tab was found: write a row of dashes and frets for each string, such as E|--3--5--|.";
    case "tuning":
      return `Line ${problem.line}: the tuning “${problem.text}” can’t be read; write 3 to 8 pitches such as E2 A2 D3 G3 B3 E4.`;
    case "strings":
      return `Line ${problem.line}: ${problem.found} rows stand together where the neck has ${problem.wanted} strings.`;
    case "bars":
      return `Line ${problem.line}: this row has ${problem.found} bars, the first has ${problem.wanted}.`;
    case "sign":
      return `Line ${problem.line}, column ${problem.column}: “${problem.text}” is no fret or sign.`;
    case "fret":
      return `Line ${problem.line}, column ${problem.column}: fret ${problem.fret} lies beyond the neck.`;
  }
}

export function describeTabLoss(loss: TabLoss): string {
  switch (loss.code) {
    case "off-grid":
      return `Note ${loss.note + 1} stands between the columns and is set on the nearest.`;
    case "length":
      return `Note ${loss.note + 1} ends between the columns; its length is rounded.`;
    case "dead-fret":
      return `Note ${loss.note + 1} is dead: its fret is not written.`;
  }
}
