import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { unwrap } from "@/base";
import { addCue, cuesOf } from "@/core/cues";
import { footPresses, PLAIN_LAYER, planLoops, setBox, songLoops } from "@/core/loops";
import { bandSheet } from "@/core/parts";
import { addException, set, type VersionCommand } from "@/core/song/edit";
import { clockOf, tellMoment, tellUnder, tellWord } from "@/core/song/moments";
import { outlineOf, spansOfForm, timelineOf } from "@/core/song/read";
import { DOCUMENTS, type VersionBody } from "@/core/song/schema";
import { barInSection, passageId, passagesOf, placeAt } from "@/core/stage";
import { applyEdit } from "@/document";
import { sampleVersion } from "../../../testing/song/sample-version";
import { stagePart } from "./stage-sheets";

let count = 0;
const makeId = () => `id${count++}`;
const act = (body: VersionBody, command: VersionCommand): VersionBody =>
  unwrap(applyEdit(DOCUMENTS.version, body, command)).body;
const BEAT = 960;
const WORDS = ["Ember", "light", "harbour", "on", "remember", "sea", "water", "lantern"];

/** A song of two sections, each of some bars, with or without a pickup; the second is played twice, raised, otherwise once. */
const anySong = fc
  .record({
    bars: fc.tuple(fc.integer({ min: 2, max: 4 }), fc.integer({ min: 2, max: 4 })),
    pickups: fc.tuple(fc.integer({ min: 0, max: 2 }), fc.integer({ min: 0, max: 2 })),
    words: fc.array(fc.constantFrom(...WORDS), { minLength: 8, maxLength: 8 }),
    shift: fc.integer({ min: 0, max: 3 }),
    held: fc.boolean(),
    pushed: fc.boolean(),
  })
  .map(({ bars, pickups, words, shift, held, pushed }) => {
    const section = (at: 0 | 1) => {
      const head = pickups[at] > 0 ? [`${words[4 * at]}/C:${pickups[at]}`] : [];
      // A section ends so much sooner as the next one begins before its bar.
      const next = at === 0 ? pickups[1] : 0;
      const full = Array.from({ length: bars[at] }, (_, bar) => {
        const beats = bar === bars[at] - 1 ? 4 - next : 4;
        return `${words[(4 * at + bar) % 8]}/${bar % 2 ? "G" : "Em"}:${beats}`;
      });
      return { lines: [[...head, ...full].join(" ")], pickup: pickups[at] };
    };
    let body = sampleVersion(
      { verse: section(0), chorus: section(1) },
      ["verse", "chorusx2", "chorus"],
      [{ sings: true, loops: true, role: "carry" }],
    );
    // What is played after itself needs the pickup's room as well: the chorus has it taken from its first time.
    body = act(body, set("uses", "u1", { shift }));
    const except = (at: number, kind: "hold" | "push", ticks: number) => {
      const outline = outlineOf(body);
      body = act(
        body,
        addException(outline, { useId: outline.form[at]!.id }, kind, { ticks, cued: false }, makeId),
      );
    };
    if (held) except(0, "hold", 2 * BEAT);
    if (pushed) except(2, "push", BEAT / 2);
    return body;
  });

describe("a moment is one and the same wherever it is told (law)", () => {
  it("in cues, on the foot sheet, on stage and by the trainer", () => {
    fc.assert(
      fc.property(anySong, fc.array(fc.nat(40), { minLength: 1, maxLength: 6 }), (song, beats) => {
        const timeline = timelineOf(song);
        const spans = spansOfForm(timeline);
        const body = beats.reduce((now, beat) => {
          const tick = (beat * BEAT) % Math.max(BEAT, timeline.ticks);
          const span = spans.find(({ from, to }) => tick >= from && tick < to) ?? spans[0]!;
          const cue = { useId: span.use.id, tick: Math.max(0, tick - span.from), text: `at ${tick}` };
          return act(now, addCue({ ...cue, playerId: "p0" }, makeId));
        }, song);
        const clock = clockOf(spans);
        const cues = cuesOf(body, bandSheet(body), timelineOf(body));
        const own = cues.filter(({ kind }) => kind === "own");
        const part = stagePart(body, body.players.p0!, cues);
        const shown = part.sheets.flatMap((sheet) => sheet.feet.map((press) => ({ ...press, sheet })));
        expect(shown).toHaveLength(own.length);
        for (const cue of own) {
          expect(tellMoment(cue.moment)).toBe(tellMoment(clock.momentAt(cue.tick)));
          // A trainer hears a press by its second.
          const heard = clock.momentAt(clock.tickAt(clock.secondsAt(cue.tick)));
          expect(Math.abs(heard.tick - cue.tick)).toBeLessThanOrEqual(1);
          expect([heard.songBar, heard.bar]).toEqual([cue.moment.songBar, cue.moment.bar]);
          const [at] = shown.filter(({ text }) => text === cue.text);
          const useId = at!.sheet.id.slice(0, at!.sheet.id.lastIndexOf(" "));
          expect([at!.place, at!.words]).toEqual([tellUnder(cue.moment, useId), tellWord(cue.moment)]);
        }
      }),
      { numRuns: 150 },
    );
  });

  it("as the stage counts its bars, but that a pickup is told where it is shown", () => {
    fc.assert(
      fc.property(anySong, fc.nat(60), (body, half) => {
        const timeline = timelineOf(body);
        const tick = (half * BEAT) / 2;
        if (tick >= timeline.ticks) return;
        const passage = timeline.passages.findLast((one) => one.tick <= tick)!;
        const passages = passagesOf(body);
        const index = passages.findIndex(({ id }) => id === passageId(passage));
        const place = placeAt(
          passages,
          {
            itemId: "x",
            mode: "held",
            passage: passageId(passage),
            tick: tick - passage.tick,
            at: 0,
            countMs: 0,
            stretch: 1,
            leave: null,
            after: null,
            circles: false,
          },
          0,
        )!;
        const stage = barInSection(passages, { ...place, index });
        const moment = clockOf(spansOfForm(timeline)).momentAt(tick);
        if (tick < passage.tick + passage.section.pickup) expect(stage.bar).toBe(0);
        else expect([stage.bar, stage.label]).toEqual([moment.bar, moment.label]);
      }),
      { numRuns: 200 },
    );
  });

  it("at the presses of a looper", () => {
    let body = sampleVersion(
      {
        verse: { lines: ["Ember/G:4 glows/C:3"] },
        chorus: { lines: ["and/C:1 Harbour/G:4 water/D:4"], pickup: 1 },
      },
      ["verse", "chorus"],
      [{ sings: true, loops: true, role: "carry" }],
    );
    body = act(body, {
      type: "add",
      table: "loopLayers",
      row: {
        id: "l",
        originId: null,
        order: "V",
        ...PLAIN_LAYER,
        name: "Thump",
        bars: 1,
      },
    });
    body = act(body, {
      type: "add",
      table: "loopWants",
      row: { id: "w", layerId: "l", useId: "u1", stretches: [{ from: 0, to: null, want: "on" }] },
    });
    body = act(
      body,
      setBox(body, { tracks: 2 }, () => "box"),
    );
    const own = songLoops(body, outlineOf(body), timelineOf(body), []);
    const plan = unwrap(planLoops(own.asked!));
    const presses = footPresses(own, plan);
    const pressesOf = (of: VersionBody) =>
      cuesOf(of, bandSheet(of), timelineOf(of), { loops: presses, tones: new Map() }).filter(
        ({ kind }) => kind === "press",
      );
    // On a looper nobody has described nothing is pressed.
    expect(pressesOf({ ...body, loopBoxes: {} })).toEqual([]);
    expect(presses.map(({ moment }) => tellMoment(moment))[0]).toBe("bar 1 of chorus, beat 1, on “Harbour”");
    expect(pressesOf(body).map(({ moment }) => tellMoment(moment))).toEqual(
      presses.map(({ moment }) => tellMoment(moment)),
    );
  });
});
