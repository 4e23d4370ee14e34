import fc from "fast-check";
import { type MidiEvent, parseMidi, writeMidi } from "midi-file";
import { describe, expect, it } from "vitest";
import { isWholeMidi } from "./check-midi";

const HEAD = [0x4d, 0x54, 0x68, 0x64, 0, 0, 0, 6, 0, 0, 0, 1, 1, 0xe0];
const file = (...track: number[]) =>
  Uint8Array.of(...HEAD, 0x4d, 0x54, 0x72, 0x6b, 0, 0, 0, track.length, ...track);
const END = [0, 0xff, 0x2f, 0];

describe("isWholeMidi, bytes by hand", () => {
  it.each([
    ["only an end of track", file(...END)],
    ["a note, and another by running status", file(0, 0x90, 60, 80, 0x60, 60, 0, ...END)],
    ["a program change, of one data byte", file(0, 0xc0, 5, ...END)],
    ["a text of three letters", file(0, 0xff, 1, 3, 65, 66, 67, ...END)],
    ["a system message", file(0, 0xf0, 2, 1, 0xf7, ...END)],
    ["a wait of two bytes", file(0x81, 0x00, 0x90, 60, 80, ...END)],
  ])("%s is whole", (_name, bytes) => expect(isWholeMidi(bytes)).toBe(true));

  it.each([
    ["nothing", new Uint8Array()],
    ["a head alone, with a track promised", Uint8Array.from(HEAD)],
    ["a text longer than its track", file(0, 0xff, 1, 0x70, 65)],
    [
      "a length of five bytes, which turns negative when shifted",
      file(0, 0xff, 1, 0xff, 0xff, 0xff, 0xff, 0x7f),
    ],
    ["a data byte with no status before it", file(0, 60, 80, ...END)],
    ["a note cut off", file(0, 0x90, 60)],
    ["a status that files do not hold", file(0, 0xf1, 0, ...END)],
    ["a track longer than the file", file(...END).slice(0, -1)],
    ["another head", file(...END).map((byte, index) => (index === 0 ? 0x4e : byte))],
  ])("%s is not", (_name, bytes) => expect(isWholeMidi(bytes)).toBe(false));

  it("whatever the library writes is whole, and whatever is whole it reads to the end (law)", () => {
    const event = fc
      .record({
        deltaTime: fc.nat(100_000),
        noteNumber: fc.nat(127),
        velocity: fc.integer({ min: 1, max: 127 }),
      })
      .map((note) => ({ ...note, type: "noteOn", channel: 3 }) as MidiEvent);
    const text = fc
      .string({ maxLength: 300, unit: "binary-ascii" })
      .map((text) => ({ deltaTime: 0, meta: true, type: "text", text }) as MidiEvent);
    fc.assert(
      fc.property(
        fc.array(fc.oneof(event, text), { maxLength: 30 }),
        fc.array(fc.tuple(fc.nat(), fc.nat(255)), { maxLength: 3 }),
        (events, damage) => {
          const header = { format: 0, numTracks: 1, ticksPerBeat: 96 } as const;
          const end = { deltaTime: 0, meta: true, type: "endOfTrack" } as MidiEvent;
          const bytes = Uint8Array.from(writeMidi({ header, tracks: [[...events, end]] }));
          expect(isWholeMidi(bytes)).toBe(true);
          for (const [at, value] of damage) bytes[at % bytes.length] = value;
          if (!isWholeMidi(bytes)) return;
          try {
            const { tracks } = parseMidi(bytes);
            expect(tracks.flat().length).toBeLessThanOrEqual(bytes.length);
          } catch (problem) {
            // The library throws texts where a known event has a wrong length.
            expect(typeof problem).toBe("string");
          }
        },
      ),
      { numRuns: 1000 },
    );
  });
});
