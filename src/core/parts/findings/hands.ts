import type { Level } from "../../fretboard";
import type { BandSheet } from "../band";
import { joinCold } from "../join-cold";
import type { ShapePlan } from "../shape-plan";
import type { SheetFinding } from "./sheet-finding";

/** What a change asks of a hand in ms: so much to begin with, and so much for what the fingers pay. Ours, no source. */
const TO_BEGIN_MS = 80;
const PER_COST_MS = 45;
const SLOWER: Readonly<Record<Level, number>> = Object.freeze({ beginner: 2, steady: 1.35, fluent: 1 });
/** A hand lets go of a chord a little before its end: so much of the time before is its own. */
const SHARE_OF_CHORD = 0.6;
/** One chord is a part from this share of the song on. */
const ENOUGH = 0.15;

/** The ms a hand needs for a change that costs its fingers so much. */
export const changeMs = (cost: number, level: Level): number =>
  (TO_BEGIN_MS + PER_COST_MS * cost) * SLOWER[level];

/** What a plan's changes were judged to be: a plan stays the same object while nothing in it has changed. */
const judged = new WeakMap<ShapePlan, { readonly key: string; readonly findings: readonly SheetFinding[] }>();

/** Changes that come too quick for the hand, each pair of chords once a place; from the plan of a player's shapes. */
export function changeFindings(
  sheet: BandSheet,
  plans: ReadonlyMap<string, ShapePlan>,
  beatMs: number,
): SheetFinding[] {
  return sheet.players.flatMap((player): SheetFinding[] => {
    const plan = plans.get(player.id);
    if (!plan) return [];
    const key = `${player.name} ${player.level} ${beatMs}`;
    const before = judged.get(plan);
    if (before?.key === key) return [...before.findings];
    const found = new Map<string, SheetFinding>();
    for (const { run, moves } of plan.runs)
      for (const [at, move] of moves.entries()) {
        // A move leads from the event before to the one it stands at.
        const [before, after] = [run.events[at], run.events[at + 1]];
        if (!before || !after) continue;
        const ms = before.beats * beatMs * SHARE_OF_CHORD;
        const needs = changeMs(move.cost, player.level);
        const id = `quick-change ${after.useId} ${player.id} ${before.symbol} ${after.symbol}`;
        if (ms >= needs || found.has(id)) continue;
        found.set(id, {
          kind: "quick-change",
          id,
          useId: after.useId,
          label: after.label,
          players: [player.name],
          playerIds: [player.id],
          from: before.symbol,
          to: after.symbol,
          capo: run.hand.capo,
          ms,
          needs,
          fixes: [],
        });
      }
    judged.set(plan, { key, findings: [...found.values()] });
    return [...found.values()];
  });
}

/** For a beginner with hard changes or nothing to do: the one chord worth knowing. */
export function oneChordFindings(
  sheet: BandSheet,
  plans: ReadonlyMap<string, ShapePlan>,
  trouble: ReadonlySet<string>,
): SheetFinding[] {
  return sheet.players.flatMap((player, at): SheetFinding[] => {
    const plan = plans.get(player.id);
    if (!plan || player.level !== "beginner" || !trouble.has(player.id)) return [];
    const [best] = joinCold(plan);
    if (!best || best.share < ENOUGH) return [];
    const cells = sheet.rows.flatMap((row) =>
      row.parts[at]!.out
        ? []
        : [
            {
              useId: row.use.id,
              playerId: player.id,
              fields: {
                technique: "ringing" as const,
                strumId: null,
              },
            },
          ],
    );
    return [
      {
        kind: "one-chord",
        id: `one-chord ${player.id}`,
        useId: null,
        label: "",
        players: [player.name],
        playerIds: [player.id],
        chord: best.symbol,
        capo: player.capo,
        share: best.share,
        fixes:
          cells.length > 0 && player.instrument === "guitar"
            ? [
                {
                  code: { do: "one-chord", player: player.name, chord: best.symbol, capo: player.capo },
                  cells,
                },
              ]
            : [],
      },
    ];
  });
}
