import { describe, expect, it } from "vitest";
import { sampleVersion } from "../../../../testing/song/sample-version";
import { spansOfForm, timelineOf } from "../read";
import type { VersionBody } from "../schema/documents";
import { tellBars, tellStretch } from "./bars";
import { tellBar, tellMoment, tellPlace, tellUnder, tellWord } from "./moment";
import { clockOf } from "./song-clock";
import { type SungSyllable, tellSungSoFar, tellSyllable } from "./sung-syllables";

const BEAT = 960;
const clock = (body: VersionBody) => clockOf(spansOfForm(timelineOf(body)));

/** A verse of two bars, a chorus with a beat of pickup, both sung; the chorus is played twice. */
const song = sampleVersion(
  {
    Verse: { lines: ["Ember/G:4 glows/C:3"] },
    Chorus: { lines: ["and/C:1 Harbour/G:4 water/D:3"], pickup: 1 },
  },
  ["Verse", "Chorusx2"],
);

describe("a stretch", () => {
  const at = (passage: number, bar: number) => ({ passage, bar, label: ["Verse 1", "Chorus"][passage]! });
  it("is told by the sections it begins and ends in", () => {
    expect(tellStretch(at(0, 2), at(0, 4))).toBe("bars 2–4 of Verse 1");
    expect(tellStretch(at(0, 3), at(0, 3))).toBe("bar 3 of Verse 1");
    expect(tellStretch(at(0, 3), at(1, 2))).toBe("bar 3 of Verse 1 to bar 2 of Chorus");
  });
});

describe("a moment", () => {
  it.each([
    [0, "bar 1 of Verse, beat 1, on “Ember”"],
    // "Em|ber": two letters of six on, of four beats.
    [Math.round((4 * BEAT * 2) / 6), "bar 1 of Verse, beat 2.333, on “Em·BER”"],
    [2 * BEAT, "bar 1 of Verse, beat 3, after “Ember”, before “glows”"],
    [BEAT, "bar 1 of Verse, beat 2, after “EM·ber”, before “Em·BER”"],
    [4 * BEAT, "bar 2 of Verse, beat 1, on “glows”"],
    // The pickup of the chorus is the last beat of the verse's bar, and its own word is told.
    [7 * BEAT, "bar 2 of Verse, beat 4, on “and”"],
    [8 * BEAT, "bar 1 of Chorus, time 1, beat 1, on “Harbour”"],
    [16 * BEAT, "bar 1 of Chorus, time 2, beat 1, on “Harbour”"],
  ])("at tick %i is %s", (tick, told) => expect(tellMoment(clock(song).momentAt(tick))).toBe(told));

  it("counts from the section or from the song, and says which", () => {
    const moment = clock(song).momentAt(12 * BEAT);
    expect(tellBar(moment)).toBe("bar 2 of Chorus, time 1");
    expect(tellBar(moment, "song")).toBe("bar 4 of the song");
    expect(tellPlace(moment, "song")).toBe("bar 4 of the song, beat 1");
    expect(tellUnder(moment, "u1")).toBe("time 1, bar 2, beat 1");
    expect(tellUnder(moment, "u0")).toBe("bar 2 of Chorus, time 1, beat 1");
  });

  it("knows the pickup of the whole song", () => {
    const body = sampleVersion({ Verse: { lines: ["Oh/C:1 light/G:4"], pickup: 1 } }, ["Verse"]);
    expect(tellMoment(clock(body).momentAt(0))).toBe("the pickup, beat 1, on “Oh”");
    expect(tellMoment(clock(body).momentAt(BEAT))).toBe("bar 1 of Verse, beat 1, on “light”");
  });

  it("says nothing of words that are not sung, or far", () => {
    const plain = sampleVersion({ Verse: { lines: ["Light/G:4"] }, Solo: { lines: ["/C:16"] } }, [
      "Verse",
      "Solo",
      "Verse",
    ]);
    expect(tellWord(clock(plain).momentAt(12 * BEAT))).toBe("");
    expect(tellWord(clock(plain).momentAt(3 * BEAT))).toBe("after “Light”");
    const silent = { ...song, uses: { ...song.uses, u0: { ...song.uses.u0!, vocals: false } } };
    expect(tellWord(clock(silent).momentAt(4 * BEAT))).toBe("before “and”");
  });

  it("is nowhere in a song without a form", () => {
    const empty = clock(sampleVersion({}, []));
    expect(tellMoment(empty.momentAt(0))).toBe("the pickup, beat 1");
    expect(empty.tickAt(3)).toBe(0);
  });

  it("is found again from its seconds (law)", () => {
    const own = clock(song);
    for (let tick = 0; tick < 23 * BEAT; tick += 240)
      expect(Math.abs(own.tickAt(own.secondsAt(tick)) - tick)).toBeLessThanOrEqual(1);
  });

  it("names, at every syllable of the song, that syllable (law)", () => {
    const own = clock(song);
    for (const { text, tick } of own.words) {
      const { sung } = own.momentAt(tick);
      expect(sung && [sung.word, sung.from]).toEqual([text, 0]);
    }
  });
});

describe("a syllable in its word", () => {
  const part = (word: string, from: number, to: number): SungSyllable => ({ tick: 0, word, from, to });
  it.each([
    [part("ember", 0, 2), "ember", "EM·ber"],
    [part("ember", 2, 5), "em·BER", "ember"],
    [part("remember", 2, 5), "re·MEM·ber", "re·MEM·ber"],
    [part("sea", 0, 3), "sea", "sea"],
    [part("光の", 1, 2), "光·[の]", "光の"],
  ])("%j", (syllable, now, over) => {
    expect(tellSyllable(syllable)).toBe(now);
    expect(tellSungSoFar(syllable)).toBe(over);
  });
});

describe("tellBars", () => {
  it.each([
    ["3", "bar 3 of Verse 1"],
    ["5-8", "bars 5–8 of Verse 1"],
    ["1, 3", "bars 1, 3 of Verse 1"],
    ["none", "no bars"],
  ])("%s is %s", (said, told) => expect(tellBars(said, "Verse 1")).toBe(told));
});
