import { canDo } from "../../fretboard";
import { paceOf, paceOfPattern, ticksOfBar } from "../../rhythm";
import { gridOnsets, techniqueOf, techniquesFor, techniquesOf } from "../../song/read";
import { FULL_LIGHT, type Role, type TechniqueId } from "../../song/schema";
import {
  barsOfTicks,
  picks,
  placedNotes,
  playsInBar,
  roleInBar,
  type SheetPart,
  type SheetRow,
  sweeps,
} from "../band";
import { sharedOnsets, sharedSemitones } from "../split";
import type { CellFix, Fix, SheetFinding } from "./sheet-finding";

/** From so many shared semitones and such a share of strokes on, two parts are one part twice. Ours, no source. */
const SAME_SEMITONES = 7;
const SAME_STROKES = 0.75;
/** So far inside the voice's register full light is in its way. Ours, no source. */
const IN_VOICE = 5;

const isIn = (part: SheetPart): boolean => !part.out;
const fixOf = (row: SheetRow, part: SheetPart, code: Fix["code"], fields: CellFix["fields"]): Fix => ({
  code,
  cells: [{ useId: row.use.id, playerId: part.player.id, fields }],
});
const roleFix = (row: SheetRow, part: SheetPart, role: Role): Fix =>
  fixOf(
    row,
    part,
    { do: "role", player: part.player.name, role },
    {
      role,
      ...(part.cell.light.value === 0 ? { light: 2 } : {}),
    },
  );
const techniqueFix = (
  row: SheetRow,
  part: SheetPart,
  technique: TechniqueId,
  more: CellFix["fields"] = {},
): Fix =>
  fixOf(
    row,
    part,
    { do: "technique", player: part.player.name, technique },
    { technique, strumId: null, ...more },
  );

const at = (row: SheetRow, parts: readonly SheetPart[]) => ({
  useId: row.use.id,
  label: row.label,
  players: parts.map((part) => part.player.name),
  playerIds: parts.map((part) => part.player.id),
});
const idOf = (kind: string, row: SheetRow, parts: readonly SheetPart[] = []): string =>
  [kind, row.use.id, ...parts.map((part) => part.player.id)].join(" ");

/** Nobody has the bass where it is needed, or it comes in late. */
export function bassFindings(row: SheetRow): SheetFinding[] {
  if (row.bass !== "needed") return [];
  const has = (bar: number) =>
    row.parts.some((part) => playsInBar(part, bar) && roleInBar(part, bar) === "bass");
  const bars = Array.from({ length: row.bars }, (_, bar) => bar);
  if (bars.length === 0 || has(0)) return [];
  const first = bars.find(has);
  const able = row.parts.flatMap((part): Fix[] => {
    const technique = techniquesOf(part.player).find((id) =>
      techniqueOf(id).roles.every((role) => role === "bass"),
    );
    if (!technique) return [];
    const light = part.cell.light.value === 0 ? 2 : part.cell.light.value;
    return [
      fixOf(
        row,
        part,
        { do: "role", player: part.player.name, role: "bass" },
        {
          role: "bass",
          technique,
          light,
          bars: null,
          phrases: null,
        },
      ),
    ];
  });
  // Whose instrument it is comes first; whoever carries last.
  const rank = (fix: Fix) => {
    const part = row.parts.find((one) => one.player.id === fix.cells[0]!.playerId)!;
    return part.player.instrument === "bass" ? 0 : part.cell.role.value === "carry" ? 2 : 1;
  };
  const fixes = able.sort((a, b) => rank(a) - rank(b)).slice(0, 2);
  if (first !== undefined)
    return [{ kind: "bass-late", id: idOf("bass-late", row), bar: first, ...at(row, []), fixes }];
  return [{ kind: "no-bass", id: idOf("no-bass", row), ...at(row, []), fixes }];
}

/** Two players in one register with one rhythm, not meant to double. */
export function twiceFindings(row: SheetRow): SheetFinding[] {
  const found: SheetFinding[] = [];
  const parts = row.parts.filter((part) => isIn(part) && part.isSaid && part.player.instrument !== "voice");
  for (const [index, a] of parts.entries())
    for (const b of parts.slice(index + 1)) {
      const doubled = a.cell.doubles.value === b.player.id || b.cell.doubles.value === a.player.id;
      const [semitones, shared] = [sharedSemitones(a, b), sharedOnsets(a.onsets, b.onsets)];
      const together = Array.from({ length: row.bars }, (_, bar) => bar).some(
        (bar) => playsInBar(a, bar) && playsInBar(b, bar),
      );
      if (doubled || !together || semitones < SAME_SEMITONES || shared < SAME_STROKES) continue;
      const second = a.cell.role.value === "carry" ? b : a.cell.role.value === b.cell.role.value ? b : a;
      const other = second === a ? b : a;
      const apart = techniquesOf({ ...second.player, loops: false }).find((id) => {
        const one = techniqueOf(id);
        return (
          one.roles.includes(second.cell.role.value === "out" ? "support" : second.cell.role.value) &&
          sharedOnsets(gridOnsets(one.grid, row.passage.meter), other.onsets) < SAME_STROKES
        );
      });
      found.push({
        kind: "one-guitar-twice",
        id: idOf("one-guitar-twice", row, [a, b]),
        ...at(row, [a, b]),
        semitones,
        shared,
        fixes: [
          ...(apart ? [techniqueFix(row, second, apart, { style: null, strings: null })] : []),
          fixOf(
            row,
            second,
            { do: "double", player: second.player.name, of: other.player.name },
            { doubles: other.player.id },
          ),
        ],
      });
    }
  return found;
}

/** Fingers beside a plectrum that is as bright. */
export function pickedFindings(row: SheetRow): SheetFinding[] {
  const strummed = row.parts.filter((part) => isIn(part) && sweeps(part) && part.cell.role.value !== "bass");
  return row.parts.flatMap((part): SheetFinding[] => {
    if (!picks(part)) return [];
    const over = strummed.find(
      (one) =>
        one !== part && one.cell.light.value >= part.cell.light.value && sharedSemitones(one, part) > 0,
    );
    if (!over) return [];
    const lower = Math.max(1, part.cell.light.value - 1);
    const fixes =
      over.player.instrument === "guitar" && over.cell.role.value !== "carry"
        ? [techniqueFix(row, over, "ringing", { light: Math.min(over.cell.light.value, lower) })]
        : [];
    const above = Math.min(FULL_LIGHT, over.cell.light.value + 1);
    const brighter = fixOf(
      row,
      part,
      { do: "light", player: part.player.name, light: above },
      { light: above },
    );
    const softer = fixOf(
      row,
      over,
      { do: "light", player: over.player.name, light: lower },
      { light: lower },
    );
    return [
      {
        kind: "picked-under-strum",
        id: idOf("picked-under-strum", row, [part, over]),
        ...at(row, [part, over]),
        fixes: lower < part.cell.light.value ? [softer, ...fixes] : [brighter],
      },
    ];
  });
}

/** Full light in the voice's register while it sings. */
export function voiceFindings(row: SheetRow): SheetFinding[] {
  const { sung } = row;
  if (!sung || !row.vocals) return [];
  return row.parts.flatMap((part): SheetFinding[] => {
    if (part.out || part.player.instrument === "voice" || part.cell.light.value < FULL_LIGHT) return [];
    const semitones = sharedSemitones(part, { low: sung[0], high: sung[1] });
    if (semitones < IN_VOICE || part.cell.role.value === "bass") return [];
    return [
      {
        kind: "in-the-voice",
        id: idOf("in-the-voice", row, [part]),
        ...at(row, [part]),
        semitones,
        fixes: [fixOf(row, part, { do: "light", player: part.player.name, light: 2 }, { light: 2 })],
      },
    ];
  });
}

/** Nobody or two carrying, bar by bar. A song sung by somebody without a part of their own is carried by the voice. */
export function carryFindings(row: SheetRow): SheetFinding[] {
  const playing = row.parts.filter(isIn);
  if (playing.length === 0) return [];
  const nobody: number[] = [];
  const twos = new Map<string, { parts: SheetPart[]; bars: number[] }>();
  for (let bar = 0; bar < row.bars; bar++) {
    const carrying = playing.filter((part) => playsInBar(part, bar) && roleInBar(part, bar) === "carry");
    if (carrying.length === 0) nobody.push(bar);
    // A singer who plays carries with the voice; another instrument may carry beside it only when nobody sings.
    const leads = carrying.filter((part) => !(row.vocals && part.player.instrument === "voice"));
    if (leads.length < 2) continue;
    const key = leads.map((part) => part.player.id).join(" ");
    const known = twos.get(key);
    if (known) known.bars.push(bar);
    else twos.set(key, { parts: leads, bars: [bar] });
  }
  const found: SheetFinding[] = [...twos.values()].map(({ parts, bars }) => ({
    kind: "two-carry",
    id: idOf("two-carry", row, parts),
    ...at(row, parts),
    bars,
    fixes: parts
      .slice(0, 2)
      .map((part) => roleFix(row, part, "support"))
      .reverse(),
  }));
  if (nobody.length > 0) {
    const leader =
      playing.find((part) => part.player.sings) ?? playing.find((part) => part.cell.role.value === "support");
    found.push({
      kind: "nobody-carries",
      id: idOf("nobody-carries", row),
      ...at(row, []),
      bars: nobody,
      fixes: leader ? carryFixes(row, leader, nobody) : [],
    });
  }
  return found;
}

/** Lets somebody carry: the whole section, or a phrase of it. */
function carryFixes(row: SheetRow, leader: SheetPart, bars: readonly number[]): Fix[] {
  if (bars.length === row.bars) return [roleFix(row, leader, "carry")];
  const [first, last] = [bars[0]!, bars.at(-1)!];
  const others = leader.cell.phrases.value.filter(({ from, to }) => to <= first || from > last);
  if (last - first + 1 !== bars.length || !bars.every((bar) => playsInBar(leader, bar))) return [];
  const phrases = [...others, { from: first, to: last + 1, role: "carry" as const }];
  return [fixOf(row, leader, { do: "carry-bars", player: leader.player.name, bars }, { phrases })];
}

/** Parts above a level, strokes too fast for a hand, a line and chords at once. */
export function handFindings(row: SheetRow): SheetFinding[] {
  return row.parts.flatMap((part): SheetFinding[] => {
    if (part.out) return [];
    const { player, technique, pattern, notes, riff } = part;
    const found: SheetFinding[] = [];
    if (technique && !canDo(player.level, technique.needs)) {
      const easier = techniquesOf({ ...player, loops: false }).find((id) =>
        techniqueOf(id).roles.some((role) => role === part.cell.role.value),
      );
      found.push({
        kind: "above-level",
        id: idOf("above-level", row, [part]),
        ...at(row, [part]),
        needs: technique.needs,
        level: player.level,
        fixes: easier ? [techniqueFix(row, part, easier)] : [],
      });
    }
    const pace = pattern
      ? paceOfPattern(pattern, row.tempo, player.level)
      : notes.length > 1
        ? paceOf(
            [...new Set(notes.filter((note) => note.art === "plain").map((note) => note.tick))],
            riff?.strokes === "all down" || riff?.strokes === "all up" ? "down" : "alternate",
            row.tempo,
            player.level,
          )
        : null;
    if (pace?.tooFast) {
      const slower = techniquesFor(player.instrument).find(
        (id) =>
          techniqueOf(id).grid === "beats" &&
          techniqueOf(id).roles.some((role) => role === part.cell.role.value),
      );
      found.push({
        kind: "too-fast",
        id: idOf("too-fast", row, [part]),
        ...at(row, [part]),
        swings: pace.swingsASecond,
        most: pace.most,
        bpm: pace.bpmUpTo,
        fixes: pattern && slower ? [techniqueFix(row, part, slower)] : [],
      });
    }
    const both = riff && pattern && sweeps(part) ? meetingBars(part, row) : [];
    if (both.length > 0)
      found.push({
        kind: "line-and-chords",
        id: idOf("line-and-chords", row, [part]),
        bars: both,
        ...at(row, [part]),
        fixes: [
          fixOf(
            row,
            part,
            { do: "no-strum", player: player.name },
            {
              strumId: null,
              technique: player.instrument === "bass" ? "bass-high" : "line",
            },
          ),
        ],
      });
    return found;
  });
}

/** The bars in which a line strikes where the strum does: between the strums one hand can do both. */
function meetingBars(part: SheetPart, row: SheetRow): number[] {
  const bar = ticksOfBar(row.passage.meter);
  const { pickup } = row.section;
  const struck = new Set(part.onsets);
  const met = placedNotes(part).filter(({ tick }) => struck.has((((tick - pickup) % bar) + bar) % bar));
  const bars = barsOfTicks(
    row.passage,
    met.map(({ tick }) => tick),
  );
  return bars.filter((one) => playsInBar(part, one));
}
