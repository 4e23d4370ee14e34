import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { setCell } from "@/core/song/edit";
import { namerByShift } from "@/core/song/names";
import { DOCUMENTS, type VersionBody } from "@/core/song/schema";
import { applyEdit } from "@/document";
import { anyCommand } from "../../../../testing/song/any-command";
import { sampleVersion } from "../../../../testing/song/sample-version";
import { createDerived } from ".";

const start = sampleVersion(
  {
    verse: { lines: ["Light/G:4 on the/C:4 water", "/D:8"] },
    chorus: { lines: ["Go/Em:4 on/C:4"] },
    again: { lines: ["Light/G:4 on/C:4", "/D:8"] },
  },
  ["verse", "chorusx2", "verse", "again"],
  [{ loops: true }, { instrument: "bass", role: "bass", tuning: ["E1", "A1", "D2", "G2"] }],
);

const namers = namerByShift(start);
const names = (_: null, shift: number) => namers(shift);

/** A value without the functions in it, maps and sets as lists. */
const plain = (value: unknown): unknown =>
  JSON.parse(
    JSON.stringify(value, (_, one: unknown) => (one instanceof Map || one instanceof Set ? [...one] : one)),
  );

/** Everything a window derives of a version, as plain values. */
function allOf(derived: ReturnType<typeof createDerived>, body: VersionBody) {
  const players = Object.values(body.players);
  return plain({
    outline: derived.outline(body),
    timeline: derived.timeline(body),
    sums: derived.sums(body),
    cells: derived.cellIndex(body),
    notes: derived.notes(body),
    form: derived.formRows(body, names),
    alike: derived.alike(body, names),
    sheet: derived.sheet(body),
    findings: derived.openFindings(body),
    plans: players.map((player) => derived.planOf(body, player)),
    loops: derived.loops(body, null),
    tones: players.map((player) => derived.tones(body, player)),
  });
}

describe("what is derived", () => {
  it("is after any edits what it would be afresh (law)", () => {
    fc.assert(
      fc.property(fc.array(fc.tuple(fc.nat(1000), fc.nat(50)), { minLength: 1, maxLength: 10 }), (steps) => {
        const kept = createDerived();
        let body = start;
        allOf(kept, body);
        for (const [choice, pick] of steps) {
          const command = anyCommand(body, choice, pick);
          const applied = command && applyEdit(DOCUMENTS.version, body, command);
          if (!applied?.ok) continue;
          body = applied.value.body;
          expect(allOf(kept, body)).toEqual(allOf(createDerived(), body));
        }
      }),
      { numRuns: 40 },
    );
  });

  it("stays the same object where an edit has changed nothing of it", () => {
    const kept = createDerived();
    const [player] = Object.values(start.players);
    const before = {
      sheet: kept.sheet(start),
      plan: kept.planOf(start, player!),
      alike: kept.alike(start, names),
    };
    const cue = { text: "Look up", sign: "nod", danger: false, playerId: null, giverId: null } as const;
    const row = { ...cue, id: "c", useId: "u0", tick: 0, wordId: null };
    const applied = applyEdit(DOCUMENTS.version, start, { type: "add", table: "cues", row });
    const body = applied.ok ? applied.value.body : start;
    expect(body).not.toBe(start);
    expect(kept.sheet(body)).toBe(before.sheet);
    expect(kept.planOf(body, player!)).toBe(before.plan);
    expect(kept.alike(body, names)).toBe(before.alike);
  });

  it.each([
    { fret: 7 },
    { moved: true },
    { style: "triad" as const },
    { strings: [3, 4, 5] },
    { capo: 2 },
    { light: 0 },
  ])("plans the hand anew when a part says %o", (fields) => {
    const kept = createDerived();
    const [player] = Object.values(start.players);
    const said = (from: VersionBody, own: Parameters<typeof setCell>[3]) => {
      const command = setCell(kept.cellIndex(from), "u0", player!.id, own, () => "own");
      const applied = applyEdit(DOCUMENTS.version, from, command);
      return applied.ok ? applied.value.body : from;
    };
    const before = said(start, { note: "n" });
    kept.planOf(before, player!);
    const body = said(before, fields);
    expect(kept.planOf(body, player!)).toEqual(createDerived().planOf(body, player!));
    expect(kept.planOf(body, player!)).not.toEqual(createDerived().planOf(before, player!));
  });

  it("keeps sections that an edit has not touched", () => {
    const kept = createDerived();
    const before = kept.outline(start);
    const command = { type: "set", table: "sections", id: "verse", fields: { label: "Verse 1" } } as const;
    const applied = applyEdit(DOCUMENTS.version, start, command);
    const after = kept.outline(applied.ok ? applied.value.body : start);
    expect(after.byId.get("verse")?.section.label).toBe("Verse 1");
    expect(after.byId.get("chorus")).toBe(before.byId.get("chorus"));
  });
});
