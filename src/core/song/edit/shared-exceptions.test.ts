import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { edited, heard, played, Q, sung } from "../../../../testing/song/heard";
import { sampleVersion } from "../../../../testing/song/sample-version";
import { unwrap } from "../../../base";
import { orderBetween } from "../../../document";
import { describeException, describeShared } from "../read/describe-exception";
import { exceptionsAt, outlineOf } from "../read/outline";
import { versionRow } from "../read/timeline";
import type { VersionBody } from "../schema/documents";
import { EXCEPTION_KINDS, EXCEPTION_TIMES, type ExceptionKind } from "../schema/sections";
import { addException, type ExceptionFields, type ExceptionHome } from "./add-exception";
import { setWords } from "./commands";
import { copyUse } from "./copy-use";
import { setEndingLength } from "./ending-length";
import { fold } from "./fold";
import { batch, set } from "./makers";
import { sayPerUse } from "./per-use";
import { unfold } from "./unfold";

let count = 0;
const makeId = () => `n${count++}`;

const except = (body: VersionBody, home: ExceptionHome, kind: ExceptionKind, fields: ExceptionFields = {}) =>
  edited(body, addException(outlineOf(body), home, kind, fields, makeId));

const chorus = (times: (typeof EXCEPTION_TIMES)[number]): ExceptionHome => ({ sectionId: "chorus", times });

/** Worked by hand: a verse of one bar, a chorus of two, played chorus, verse, chorus twice, at 60 a minute. */
const song = () =>
  sampleVersion({ verse: { lines: ["Low/Em:4"] }, chorus: { lines: ["Light/G:2 on/C:2", "the/D:4"] } }, [
    "chorus",
    "verse",
    "chorusx2",
  ]);

describe("what a section says", () => {
  it.each([
    ["every", [true, true, true]],
    ["first", [true, false, false]],
    ["later", [false, true, true]],
    ["last", [false, false, true]],
  ] as const)("holds %s time: uses and their rounds are counted through the song", (times, holds) => {
    const body = except(song(), chorus(times), "stop", { ticks: Q, chordId: "chorus-l0-c0" });
    const choruses = played(body).filter((one) => one.includes("G@"));
    expect(choruses.map((one) => one.includes("+2/1"))).toEqual(holds);
  });

  it("follows the form when it changes", () => {
    let body = except(song(), chorus("first"), "hold", { ticks: Q });
    expect(played(body)[0]).toBe("G@0+2 C@2+2 D@4+5");
    body = edited(body, set("uses", "u0", { order: "zz" }));
    expect(played(body)).toEqual([
      "Em@0+4",
      "G@4+2 C@6+2 D@8+5",
      "G@13+2 C@15+2 D@17+4",
      "G@21+2 C@23+2 D@25+4",
    ]);
  });

  it("gives way to what a use says of the same chord, also to nothing", () => {
    let body = except(song(), chorus("every"), "push", { ticks: Q / 2, chordId: "chorus-l0-c1" });
    body = except(body, { useId: "u2" }, "push", { ticks: Q, chordId: "chorus-l0-c1" });
    expect(played(body)[2]).toBe("G@12+1 C@13+3 D@16+4");
    body = edited(body, set("exceptions", Object.values(body.exceptions).at(-1)!.id, { ticks: 0 }));
    expect([played(body)[0], played(body)[2]]).toEqual(["G@0+1.5 C@1.5+2.5 D@4+4", "G@12+2 C@14+2 D@16+4"]);
  });

  it("ends otherwise wherever the named section follows; a use's own ending stands before it", () => {
    let body = except(song(), chorus("every"), "ending", { followedBy: "verse", ticks: 4 * Q });
    const own = Object.values(body.chords).find(({ originId }) => originId === "chorus-l1-c0")!;
    body = edited(body, set("chords", own.id, { symbol: "B7" }));
    expect(played(body).map((one) => one.includes("B7"))).toEqual([true, false, false, false]);
    // The form turned round: now it is the second chorus that a verse follows.
    const other = edited(body, set("uses", "u1", { order: "zz" }));
    expect(played(other).map((one) => one.includes("B7"))).toEqual([false, false, true, false]);
    body = except(body, { useId: "u0" }, "ending", { ticks: 2 * Q });
    expect(played(body)[0]).toBe("G@0+2 C@2+2 D@4+2 D@6+2");
  });
});

describe("what marks a chord, by hand", () => {
  const one = (kind: ExceptionKind, fields: ExceptionFields) =>
    played(except(song(), { useId: "u2" }, kind, { chordId: "chorus-l0-c1", ...fields }))[2];

  it.each([
    ["push", { ticks: Q / 2 }, "G@12+1.5 C@13.5+2.5 D@16+4"],
    ["late", { ticks: Q / 2 }, "G@12+2.5 C@14.5+1.5 D@16+4"],
    ["hold", { ticks: 2 * Q }, "G@12+2 C@14+4 D@18+4"],
    ["choke", { ticks: Q / 4 }, "G@12+2 C@14+2/0.25 D@16+4"],
    ["hit", { ticks: Q }, "G@12+2 C@14+2/1 D@16+4"],
    ["stop", { ticks: Q }, "G@12+2 C@14+2/1 D@16+4"],
    ["tacet", { chordId: null }, "G@12+2/0 C@14+2/0 D@16+4/0"],
    ["chord", { symbol: "Am7" }, "G@12+2 Am7@14+2 D@16+4"],
  ] as const)("%s", (kind, fields, told) => expect(one(kind, fields)).toBe(told));

  it("without a chord of their own: the first chord, or the last of a hold and a stop", () => {
    const at = (kind: ExceptionKind) => played(except(song(), chorus("first"), kind, { ticks: Q }))[0];
    expect(["late", "choke", "hit", "hold", "stop"].map((kind) => at(kind as ExceptionKind))).toEqual([
      "G@1+1 C@2+2 D@4+4",
      "G@0+2/1 C@2+2 D@4+4",
      "G@0+2/1 C@2+2 D@4+4",
      "G@0+2 C@2+2 D@4+5",
      "G@0+2 C@2+2 D@4+4/3",
    ]);
  });

  it("a chord pushed and choked rings as long as it is choked for; a late one is not later than its end", () => {
    let body = except(song(), chorus("every"), "push", { ticks: Q / 2, chordId: "chorus-l0-c1" });
    body = except(body, chorus("every"), "choke", { ticks: Q / 2, chordId: "chorus-l0-c1" });
    expect(played(body)[0]).toBe("G@0+1.5 C@1.5+2.5/0.5 D@4+4");
    const late = except(song(), chorus("first"), "late", { ticks: 9 * Q, chordId: "chorus-l1-c0" });
    expect(played(late)[0]).toBe(`G@0+2 C@2+${2 + 4 - 1 / Q} D@${8 - 1 / Q}+${1 / Q}`);
  });

  it("a late chord across a section's end lets the one before ring on", () => {
    const body = except(song(), { useId: "u1" }, "late", { ticks: Q / 2 });
    expect(played(body).slice(0, 2)).toEqual(["G@0+2 C@2+2 D@4+4.5", "Em@8.5+3.5"]);
  });
});

describe("other words, and other chords", () => {
  const verses = () =>
    sampleVersion(
      {
        one: { lines: ["Light/G:2 on the/C:2", "wide/D:4"] },
        two: { lines: ["Rope/G:2 and net/C:2", "home/D:4"] },
      },
      ["one", "two"],
    );
  const folded = () => {
    const body = verses();
    return edited(body, unwrap(fold(body, outlineOf(body), "two", "one", makeId)));
  };

  it("folding keeps the chords shared: a change of them reaches the other words", () => {
    const body = folded();
    expect(heard(body)).toEqual(heard(verses()));
    expect(sung(body)[1]).toBe("[G]Rope and [C]net / [D]home");
    expect(Object.values(body.exceptions).map(({ kind }) => kind)).toEqual(["words", "words"]);
    const changed = edited(body, set("chords", "one-l0-c2", { symbol: "Am7" }));
    expect(sung(changed)).toEqual(["[G]Light on [Am7]the / [D]wide", "[G]Rope and [Am7]net / [D]home"]);
  });

  it("a chord that comes later finds its word by its share of the line", () => {
    const body = folded();
    const { "one-l0-c0": first, "one-l0-c2": second } = body.chords;
    const order = orderBetween(first!.order, second!.order);
    const row = { ...first!, id: "fresh", symbol: "Em", order };
    const wordId = "one-l0-w1";
    const more = edited(body, { type: "add", table: "chords", row: { ...row, wordId, ticks: 2 * Q } });
    expect(sung(more)).toEqual(["[G]Light [Em]on [C]the / [D]wide", "[G]Rope [Em]and [C]net / [D]home"]);
  });

  it("other chords keep the words; two chords alone are two names", () => {
    let body = except(folded(), { useId: "u1" }, "chord", { chordId: "one-l0-c0", symbol: "Em7" });
    body = except(body, { useId: "u1" }, "chord", { chordId: "one-l1-c0", symbol: "A" });
    expect(sung(body)).toEqual(["[G]Light on [C]the / [D]wide", "[Em7]Rope and [C]net / [A]home"]);
    body = except(folded(), { useId: "u1" }, "chords", { lineId: "one-l0" });
    const own = Object.values(body.chords).find(({ originId }) => originId === "one-l0-c2")!;
    body = edited(body, set("chords", own.id, { symbol: "F" }));
    body = edited(body, set("chords", "one-l0-c0", { symbol: "Em" }));
    expect(sung(body)).toEqual(["[Em]Light on [C]the / [D]wide", "[G]Rope and [F]net / [D]home"]);
  });

  it("words typed anew keep the chords", () => {
    const body = except(song(), { useId: "u2" }, "words", { lineId: "chorus-l0" });
    const [line] = exceptionsAt(outlineOf(body), { id: "u2", sectionId: "chorus" })[0]!.lines;
    const typed = edited(body, setWords(line!, "Home again", makeId));
    expect(sung(typed)[2]).toBe("[G]Home [C]again / [D]the");
  });

  it("folds few other chords as chords, many as a line, and other times as a line", () => {
    const kinds = (line: string) => {
      const body = sampleVersion({ one: { lines: ["a/G:1 b/C:1 c/D:1 d/Em:1"] }, two: { lines: [line] } }, [
        "one",
        "two",
      ]);
      const after = edited(body, unwrap(fold(body, outlineOf(body), "two", "one", makeId)));
      expect(heard(after)).toEqual(heard(body));
      return Object.values(after.exceptions).map(({ kind }) => kind);
    };
    expect(kinds("a/G:1 b/C:1 c/D:1 d/Am:1")).toEqual(["chord"]);
    expect(kinds("e/G:1 f/C:1 g/D:1 h/Am:1")).toEqual(["words", "chord"]);
    expect(kinds("a/A:1 b/B:1 c/E:1 d/Em:1")).toEqual(["line"]);
    expect(kinds("a/G:2 b/C:1 c/D:0.5 d/Em:0.5")).toEqual(["line"]);
    expect(kinds("a/G:1 b/C:1 c/D:1 d/Em:1")).toEqual([]);
  });
});

describe("how much an ending replaces", () => {
  const lengthOf = (body: VersionBody) => heard(body)[0]!.bars.length;
  const ended = (ticks: number) => except(song(), { useId: "u0" }, "ending", { ticks });
  const resized = (body: VersionBody, ticks: number) => {
    const outline = outlineOf(body);
    const one = outline.exceptions.get("u0")![0]!;
    return edited(body, setEndingLength(body, outline.byId.get("chorus")!, one, ticks, makeId));
  };

  it("by hand: 8 beats cut to 4, then to 3, then 6 again", () => {
    let body = ended(8 * Q);
    body = resized(body, 4 * Q);
    expect(sung(body)[0]).toBe("[G]Light [C]on / [D]the");
    body = resized(body, 3 * Q);
    expect(played(body)[0]).toBe("G@0+2 C@2+2 D@4+1 D@5+3");
    body = resized(body, 6 * Q);
    expect(played(body)[0]).toBe("G@0+2 C@2+2 D@4+4");
    expect(sung(body)[0]).toBe("[G]Light / [C]on / [D]the");
  });

  it("never changes how long the song is, nor the chords while the ending is a copy (law)", () => {
    const lengths = fc.array(fc.integer({ min: 0, max: 16 }), { minLength: 1, maxLength: 6 });
    fc.assert(
      fc.property(fc.integer({ min: 0, max: 16 }), lengths, (first, more) => {
        let body = ended((first * Q) / 2);
        for (const half of more) body = resized(body, (half * Q) / 2);
        expect(lengthOf(body)).toBe(2);
        const joined = played(body)[0]!
          .replaceAll(/(\w+)@[\d.]+\+([\d.]+)/gu, "$1 $2")
          .split(" ");
        const beats = new Map<string, number>();
        for (let at = 0; at < joined.length; at += 2)
          beats.set(joined[at]!, (beats.get(joined[at]!) ?? 0) + Number(joined[at + 1]));
        expect([...beats]).toEqual([
          ["G", 2],
          ["C", 2],
          ["D", 4],
        ]);
      }),
      { numRuns: 60 },
    );
  });
});

describe("laws", () => {
  const twins = () =>
    sampleVersion(
      {
        one: { lines: ["Light/G:2 on/C:2", "the/D:4"] },
        two: { lines: ["Rope/G:2 and/C:2", "net/Am:2 in/D:2"] },
        end: { lines: ["Home/Em:4"] },
      },
      ["one", "twox2", "end", "one", "two", "onex2"],
    );
  /** Kinds from here on are at a chord. */
  const AT_CHORDS = EXCEPTION_KINDS.indexOf("hold");
  /** Any exceptions at any places, of sections and of uses. */
  const steps = fc.array(fc.tuple(fc.nat(EXCEPTION_KINDS.length - 1), fc.nat(11), fc.nat(40)), {
    maxLength: 7,
  });

  function withAll(all: readonly (readonly [number, number, number])[]): VersionBody {
    let body = twins();
    for (const [kind, place, pick] of all) {
      const outline = outlineOf(body);
      const use = outline.form[place % outline.form.length]!;
      const home: ExceptionHome =
        place < 6
          ? { useId: use.id, round: use.repeat > 1 && pick % 3 > 0 ? (pick % 2) + 1 : null }
          : { sectionId: use.sectionId, times: EXCEPTION_TIMES[pick % 4]! };
      const lines = [
        ...outline.byId.get(use.sectionId)!.lines,
        ...exceptionsAt(outline, use)
          .filter(({ exception }) => exception.useId === null || "useId" in home)
          .flatMap((one) => one.lines),
      ];
      const chords = lines.flatMap((line) => line.chords);
      const isAtChord = kind >= AT_CHORDS && EXCEPTION_KINDS[kind] !== "tacet";
      const fields = {
        ticks: (Q / 2) * (1 + (pick % 5)),
        lineId: kind < AT_CHORDS ? (outline.byId.get(use.sectionId)!.lines[pick % 2]?.line.id ?? null) : null,
        chordId: isAtChord && pick % 4 > 0 ? (chords[pick % chords.length]?.chord.id ?? null) : null,
        followedBy: pick % 3 === 0 ? (["one", "two", "end"][pick % 4] ?? null) : null,
        symbol: "Bm",
      };
      // Another chord is another name of one that is there.
      if (EXCEPTION_KINDS[kind] === "chord")
        Object.assign(fields, { chordId: chords[pick % chords.length]!.chord.id, lineId: null });
      body = except(body, home, EXCEPTION_KINDS[kind]!, fields);
      const fresh = exceptionsAt(outlineOf(body), use).at(-1);
      const [own] = fresh?.lines ?? [];
      if (own && own.words.length > 0) body = edited(body, setWords(own, `sung ${pick} now`, makeId));
    }
    return body;
  }

  it("what a section says equals the same said at every use it names", () => {
    fc.assert(
      fc.property(steps, (all) => {
        const body = withAll(all);
        const said = sayPerUse(body, outlineOf(body), () => true, makeId);
        const after = edited(body, batch("Say per use", said));
        expect(heard(after)).toEqual(heard(body));
        expect(outlineOf(after).ofSections.size).toBe(0);
      }),
      { numRuns: 100 },
    );
  });

  it("unfolding and folding change nothing that is heard", () => {
    fc.assert(
      fc.property(steps, fc.nat(5), fc.boolean(), (all, at, back) => {
        const body = withAll(all);
        const [from, into] = back ? ["two", "one"] : ["one", "two"];
        const folded = edited(body, unwrap(fold(body, outlineOf(body), from!, into!, makeId)));
        expect(heard(folded)).toEqual(heard(body));
        const use = outlineOf(folded).form[at]!;
        const unfolded = edited(folded, unfold(folded, outlineOf(folded), use.id, makeId));
        expect(heard(unfolded)).toEqual(heard(body));
        const own = unfolded.uses[use.id]!.sectionId;
        const again = fold(unfolded, outlineOf(unfolded), own, use.sectionId, makeId);
        if (again.ok) expect(heard(edited(unfolded, again.value))).toEqual(heard(body));
      }),
      { numRuns: 150 },
    );
  });

  it("a copied use is heard as the one it was copied from", () => {
    fc.assert(
      fc.property(steps, (all) => {
        const shared = withAll(all);
        const said = sayPerUse(shared, outlineOf(shared), () => true, makeId);
        const body = edited(shared, batch("Say per use", said));
        const last = outlineOf(body).form.at(-1)!;
        const after = edited(body, copyUse(body, outlineOf(body), last.id, makeId));
        const tell = (passages: ReturnType<typeof heard>) =>
          passages.map(({ lines }) => lines.map(({ text }) => text));
        const [first, second] = [tell(heard(after)).slice(-4, -2), tell(heard(after)).slice(-2)];
        const waits = Object.values(after.exceptions).some(({ followedBy }) => followedBy !== null);
        if (!waits) expect(second).toEqual(first);
      }),
      { numRuns: 60 },
    );
  });

  it("a change of a shared chord is heard at every use that says nothing else", () => {
    fc.assert(
      fc.property(steps, (all) => {
        const body = withAll(
          all.filter(([kind]) => !["line", "chords", "ending"].includes(EXCEPTION_KINDS[kind]!)),
        );
        const after = edited(body, set("chords", "one-l0-c0", { symbol: "Gmaj7" }));
        const outline = outlineOf(after);
        const others = new Set(
          Object.values(after.exceptions)
            .filter(({ kind }) => kind === "chord")
            .map(({ chordId }) => chordId),
        );
        for (const [index, passage] of heard(after).entries()) {
          const first = passage.lines[0]!.chords[0]![0];
          const wasShared = heard(body)[index]!.lines[0]!.chords[0]![0] === "G";
          if (wasShared && !others.has("one-l0-c0") && outline.form.length > 0)
            expect(["Gmaj7", "G"]).toContain(first);
        }
        expect(
          heard(after).filter(({ lines }) => lines[0]!.chords[0]![0] === "Gmaj7").length > 0 ||
            others.has("one-l0-c0"),
        ).toBe(true);
      }),
      { numRuns: 40 },
    );
  });
});

describe("how it is told", () => {
  it("names the times it is for, and what is taken back", () => {
    const told = (kind: ExceptionKind, fields: ExceptionFields = {}, home = chorus("later")) => {
      const body = except(song(), home, kind, fields);
      const outline = outlineOf(body);
      const use = outline.form[0]!;
      const one = exceptionsAt(outline, use)[0]!;
      const words = describeShared(one, use, outline, versionRow(body));
      expect(words.startsWith(describeException(one, use, outline, versionRow(body)))).toBe(true);
      return words;
    };
    expect(told("push", { ticks: Q / 2, chordId: "chorus-l0-c1" })).toBe(
      "C comes half a beat early, from the second time on",
    );
    expect(told("late", { ticks: Q / 2 })).toBe(
      "the first chord comes half a beat late, from the second time on",
    );
    expect(told("choke", { ticks: Q / 2, chordId: "chorus-l0-c0" }, chorus("every"))).toBe(
      "G is choked after half a beat, every time",
    );
    expect(told("hit", { ticks: Q }, chorus("last"))).toBe(
      "hit on the first chord, then silence, the last time",
    );
    expect(told("tacet", {}, chorus("first"))).toBe("the band is silent: voices alone, the first time");
    expect(told("chord", { chordId: "chorus-l0-c0", symbol: "Em" }, { useId: "u0" })).toBe("Em instead of G");
    expect(told("push", { ticks: 0, chordId: "chorus-l0-c0" }, { useId: "u0" })).toBe("G comes on its beat");
    expect(told("hold", { ticks: 0, cued: true }, { useId: "u0" })).toBe(
      "hold on the last chord, until the sign",
    );
  });
});
