import fc from "fast-check";
import { zipSync } from "fflate";
import { describe, expect, it } from "vitest";
import { checkBody } from "../../../document";
import { readMelody, timelineOf } from "../../song/read";
import { DOCUMENTS } from "../../song/schema";
import { versionOfSheet } from "../to-version";
import { readMusicXml } from "./read-musicxml";

const bytes = (text: string) => new TextEncoder().encode(text);

/** A score of quarter notes on C4 to C5, chords as "G" or "kind-of-root" pieces of XML, made by hand. */
const chord = (root: string, kind = "major", more = "") =>
  `<harmony><root><root-step>${root}</root-step></root><kind>${kind}</kind>${more}</harmony>`;
const note = (step: string, octave: number, duration: number, lyric = "") =>
  `<note><pitch><step>${step}</step><octave>${octave}</octave></pitch><duration>${duration}</duration><voice>1</voice>${lyric}</note>`;
const lyric = (text: string, syllabic = "single", number = 1) =>
  `<lyric number="${number}"><syllabic>${syllabic}</syllabic><text>${text}</text></lyric>`;
const score = (measures: string[]) =>
  bytes(
    `<?xml version="1.0"?><!DOCTYPE score-partwise PUBLIC "-//Recordare//DTD MusicXML 4.0 Partwise//EN" "http://www.musicxml.org/dtds/partwise.dtd"><score-partwise version="4.0"><work><work-title>Lamp &amp; Bell</work-title></work><identification><creator type="composer">Nobody</creator><rights>None</rights></identification><part-list/><part id="P1">${measures
      .map((content, index) => `<measure number="${index + 1}">${content}</measure>`)
      .join("")}</part></score-partwise>`,
  );
const START =
  "<attributes><divisions>2</divisions><key><fifths>1</fifths></key><time><beats>4</beats><beat-type>4</beat-type></time></attributes>";
const mark = (text: string) =>
  `<direction><direction-type><rehearsal>${text}</rehearsal></direction-type></direction>`;
const repeat = (direction: string) => `<barline><repeat direction="${direction}"/></barline>`;
const ending = (type: string, number: string) =>
  `<barline><ending number="${number}" type="${type}"/></barline>`;

describe("MusicXML", () => {
  it("reads a whole song, worked by hand", () => {
    const sheet = readMusicXml(
      score([
        `${START}<direction><direction-type><metronome><beat-unit>quarter</beat-unit><per-minute>72</per-minute></metronome></direction-type></direction>${mark("Verse")}${repeat("forward")}${chord("G")}${note("G", 4, 4, lyric("Light") + lyric("Bells", "single", 2))}${chord("E", "minor-seventh")}${note("B", 4, 4, lyric("har", "begin") + lyric("ring", "single", 2))}`,
        `${ending("start", "1")}${chord("D", "dominant")}${note("A", 4, 8, lyric("bour", "end") + lyric("out", "single", 2))}${repeat("backward")}${ending("stop", "1")}`,
        `${ending("start", "2")}${chord("G")}${note("G", 4, 8, lyric("home", "single", 2))}${ending("stop", "2")}`,
        `${mark("Chorus")}${note("D", 5, 4, lyric("Sing"))}${chord("C", "major", "<bass><bass-step>E</bass-step></bass>")}${note("E", 5, 4, lyric("now"))}`,
      ]),
    );
    expect(sheet).toMatchObject({
      title: "Lamp & Bell",
      composer: "Nobody",
      copyright: "None",
      key: "G",
      keySure: true,
      tempo: 72,
      meter: { beats: 4, unit: 4 },
      problems: [],
      losses: [],
    });
    const shown = sheet.sections.map(({ label, kind, lines }) => [
      label,
      kind,
      lines.map(
        ({ words, chords }) =>
          `${words}: ${chords.map((one) => `${one.symbol}@${one.at}+${one.ticks / 960}`).join(" ")}`,
      ),
    ]);
    expect(shown).toEqual([
      ["Verse", "verse", ["Light har: G@0+2 Em7@6+2"]],
      ["Verse, ending 1", "verse", ["bour: D7@0+4"]],
      ["Verse 2", "verse", ["Bells ring: G@0+2 Em7@6+2"]],
      ["Verse, ending 2", "verse", ["home: G@0+4"]],
      ["Chorus", "chorus", ["Sing now: G@0+2 C/E@5+2"]],
    ]);
    expect(sheet.form.map((use) => use.section)).toEqual([0, 1, 2, 3, 4]);
    expect(sheet.sections.map(({ melodyRange }) => melodyRange)).toEqual(
      [
        [67, 71],
        [69, 69],
        [67, 71],
        [67, 67],
        [74, 76],
      ].slice(0, sheet.sections.length),
    );
  });

  it("makes one section of measures that are played again", () => {
    const sheet = readMusicXml(
      score([
        `${START}${repeat("forward")}${chord("G")}${note("G", 4, 8)}`,
        `${chord("C")}${note("C", 4, 8)}${repeat("backward")}`,
      ]),
    );
    expect(sheet.sections).toHaveLength(1);
    expect(sheet.form).toMatchObject([{ section: 0, repeat: 2 }]);
  });

  it("reads degrees, no chord, frames, a pickup and a change of metre", () => {
    const frame =
      "<frame><frame-strings>6</frame-strings><frame-frets>4</frame-frets><frame-note><string>6</string><fret>3</fret></frame-note><frame-note><string>1</string><fret>3</fret></frame-note></frame>";
    const degree =
      "<degree><degree-value>9</degree-value><degree-alter>0</degree-alter><degree-type>add</degree-type></degree>";
    const sheet = readMusicXml(
      bytes(
        new TextDecoder()
          .decode(
            score([
              `${START}${note("D", 4, 2)}`,
              `${chord("G", "major", degree + frame)}${note("G", 4, 8)}`,
              `<attributes><time><beats>3</beats><beat-type>4</beat-type></time></attributes><harmony><kind>none</kind></harmony>${note("G", 4, 6)}`,
              `${chord("D", "suspended-fourth")}${note("G", 4, 6)}`,
              `${chord("C", "major")}${note("G", 4, 6)}`,
            ]),
          )
          .replace('<measure number="1">', '<measure number="0" implicit="yes">'),
      ),
    );
    expect(sheet.meter).toEqual({ beats: 3, unit: 4 });
    expect(
      sheet.sections.map((one) => [
        one.pickup / 960,
        one.lines.flatMap((line) => line.chords.map((c) => c.symbol)),
      ]),
    ).toEqual([
      [1, ["N.C.", "G(add9)"]],
      [0, ["N.C.", "Dsus4", "C"]],
    ]);
    expect(sheet.form[0]!.meter).toEqual({ beats: 4, unit: 4 });
    expect(sheet.fingerings).toEqual([{ symbol: "G(add9)", frets: [3, null, null, null, null, 3] }]);
  });

  it("reads a compressed score by its container", () => {
    const plain = score([`${START}${chord("G")}${note("G", 4, 8)}`]);
    const packed = zipSync({
      "META-INF/container.xml": bytes(
        '<container><rootfiles><rootfile full-path="in/song.xml"/></rootfiles></container>',
      ),
      "a.xml": bytes("<other/>"),
      "in/song.xml": plain,
    });
    expect(readMusicXml(packed).title).toBe("Lamp & Bell");
  });

  it("names chords it does not know", () => {
    const sheet = readMusicXml(score([`${START}${chord("G", "Neapolitan")}${note("G", 4, 8)}`]));
    expect(sheet.losses).toMatchObject([{ what: "chord in measure 1", text: "G Neapolitan" }]);
  });

  const sentence = (data: Uint8Array) => readMusicXml(data).problems[0]?.text;
  it("refuses entities, depth, zips that swell and what is no score, with a sentence", () => {
    const bomb = `<!DOCTYPE x [<!ENTITY a "ha"><!ENTITY b "&a;&a;">]><score-partwise>&b;</score-partwise>`;
    expect(sentence(bytes(bomb))).toMatch(/entities of its own/);
    const outside = `<!DOCTYPE x [<!ENTITY a SYSTEM "file:///nowhere">]><score-partwise>&a;</score-partwise>`;
    expect(sentence(bytes(outside))).toMatch(/entities of its own/);
    expect(sentence(bytes(`${"<a>".repeat(5000)}${"</a>".repeat(5000)}`))).toMatch(/nested deeper/);
    expect(sentence(zipSync({ "a.xml": new Uint8Array(60_000_000) }))).toMatch(/larger than 40 MB/);
    expect(sentence(bytes("<html/>"))).toMatch(/no MusicXML score/);
    expect(sentence(bytes("no xml at all"))).toMatch(/\.$/);
    expect(sentence(Uint8Array.of(0x50, 0x4b, 3, 4, 0, 0))).toMatch(/no zip file/);
    expect(sentence(bytes("<score-partwise><part/></score-partwise>"))).toMatch(/no measures/);
  });

  it("never throws on damaged scores (law)", () => {
    const whole = score([
      `${START}${mark("A")}${repeat("forward")}${chord("G")}${note("G", 4, 8, lyric("x"))}${repeat("backward")}`,
    ]);
    const cut = fc
      .tuple(fc.nat(whole.length), fc.nat(whole.length), fc.uint8Array({ maxLength: 12 }))
      .map(([from, to, inserted]) =>
        Uint8Array.from([
          ...whole.slice(0, Math.min(from, to)),
          ...inserted,
          ...whole.slice(Math.max(from, to)),
        ]),
      );
    fc.assert(
      fc.property(fc.oneof(cut, fc.uint8Array({ maxLength: 300 })), (data) => {
        const sheet = readMusicXml(data);
        let count = 0;
        const body = versionOfSheet(sheet, { name: "T", kind: "file" }, () => `id${count++}`);
        const checked = checkBody(DOCUMENTS.version, body);
        if (!checked.ok) throw new Error(JSON.stringify(checked.problem));
        timelineOf(body);
      }),
      { numRuns: 400 },
    );
  });
});

describe("the melody of a MusicXML file", () => {
  const sung = (sheet: ReturnType<typeof readMusicXml>) =>
    sheet.sections.map(({ melody = [] }) =>
      melody.map(({ tick, ticks, pitch }) => `${pitch}@${tick / 960}+${ticks / 960}`).join(" "),
    );
  const tied = (type: string) => `<tie type="${type}"/>`;

  it("is kept, tied notes as one; a grace note and a rest are none", () => {
    const grace = "<note><grace/><pitch><step>C</step><octave>5</octave></pitch><voice>1</voice></note>";
    const rest = "<note><rest/><duration>2</duration><voice>1</voice></note>";
    const sheet = readMusicXml(
      score([
        `${START}${chord("G")}${grace}${note("G", 4, 2, lyric("Light"))}${rest}${note("B", 4, 4, tied("start"))}`,
        `${note("B", 4, 2, tied("stop"))}${note("B", 4, 6, lyric("on"))}`,
      ]),
    );
    expect(sung(sheet)).toEqual(["67@0+1 71@2+3 71@5+3"]);
    expect(sheet.sections[0]!.melodyRange).toEqual([67, 71]);
  });

  it("is that of the voice with the words, where two are written in one part", () => {
    const low =
      "<backup><duration>8</duration></backup><note><pitch><step>C</step><octave>3</octave></pitch><duration>8</duration><voice>2</voice></note>";
    const sheet = readMusicXml(score([`${START}${chord("G")}${note("G", 4, 8, lyric("Light"))}${low}`]));
    expect(sung(sheet)).toEqual(["67@0+4"]);
  });

  it("and the chords and key of a transposing part are read as they sound", () => {
    const down = START.replace(
      "</attributes>",
      "<transpose><diatonic>-1</diatonic><chromatic>-2</chromatic></transpose></attributes>",
    );
    const sheet = readMusicXml(
      score([
        `${down}${chord("G")}${note("G", 4, 4, lyric("Light"))}${chord("D", "dominant")}${note("F", 4, 4, lyric("on"))}`,
      ]),
    );
    expect([sheet.key, sheet.losses]).toEqual(["F", []]);
    expect(sheet.sections[0]!.lines[0]!.chords.map(({ symbol }) => symbol)).toEqual(["F", "C7"]);
    expect(sung(sheet)).toEqual(["65@0+2 63@2+2"]);
  });

  it("stands in the version as the section's own", () => {
    let count = 0;
    const sheet = readMusicXml(score([`${START}${chord("G")}${note("G", 4, 8, lyric("Light"))}`]));
    const body = versionOfSheet(sheet, { name: "T", kind: "file" }, () => `m${count++}`);
    expect(checkBody(DOCUMENTS.version, body).ok).toBe(true);
    const [row] = Object.values(body.melodies);
    expect(Object.keys(body.sections)).toContain(row!.sectionId);
    expect(readMelody(row!.notes)).toEqual(sheet.sections[0]!.melody);
  });
});
