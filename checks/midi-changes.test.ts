import { execFileSync } from "node:child_process";
import { mkdtempSync, rmSync, writeFileSync } from "node:fs";
import { tmpdir } from "node:os";
import path from "node:path";
import { afterAll, describe, expect, it } from "vitest";
import { writeChanges } from "@/core/formats";
import { outlineOf, timelineOf } from "@/core/song/read";
import { planMessages, type TimedMessage, tonePresses } from "@/core/sounds";
import { sampleVersion } from "../testing/song/sample-version";
import { planOfSample, sampleTones, tonesOfSample } from "../testing/sounds/sample-sounds";

/**
 * References: the MIDI 1.0 specification for the bytes of a Standard MIDI File (header chunk, division, status bytes of
 * program change 0xCn and control change 0xBn), and Debian's `midicsv`, which writes out what a file says.
 */
const folder = mkdtempSync(path.join(tmpdir(), "lantern-midi-"));
afterAll(() => rmSync(folder, { recursive: true, force: true }));

/** A file as `midicsv` tells it: lines of track, tick, what and values. */
function told(bytes: Uint8Array): string[][] {
  const file = path.join(folder, "changes.mid");
  writeFileSync(file, bytes);
  return execFileSync("/usr/bin/midicsv", [file], { encoding: "latin1" })
    .trim()
    .split("\n")
    .map((line) => line.split(", "));
}

const timelineOfBody = (body: Parameters<typeof outlineOf>[0] & Parameters<typeof timelineOf>[0]) =>
  timelineOf(body, outlineOf(body));

describe("program and control changes as a MIDI file", () => {
  const body = sampleTones(
    { 0: { sound: "Low" }, 1: { sound: "High" } },
    { Low: {}, High: {} },
    { channel: 5, firstProgram: 30 },
    ["a", "b"],
  );

  it("begins as the specification has it: MThd, length 6, format 0, one track, 960 a quarter", () => {
    const bytes = writeChanges("Changes", timelineOfBody(body), []);
    expect([...bytes.slice(0, 18)]).toEqual([
      ...[0x4d, 0x54, 0x68, 0x64, 0, 0, 0, 6, 0, 0, 0, 1, 0x03, 0xc0],
      ...[0x4d, 0x54, 0x72, 0x6b],
    ]);
    expect([...bytes.slice(-3)]).toEqual([0xff, 0x2f, 0]);
  });

  it("is read back by midicsv: name, tempo, metre, each change at its tick, the end of the song", () => {
    const song = tonesOfSample(body);
    const plan = planOfSample(song);
    const messages = planMessages(song, plan, tonePresses(song, plan));
    const timeline = timelineOfBody(body);
    const lines = told(writeChanges("Ada’s sounds", timeline, messages));
    expect(lines[0]).toEqual(["0", "0", "Header", "0", "1", "960"]);
    expect(lines.find(([, , what]) => what === "Tempo")).toEqual(["1", "0", "Tempo", "1000000"]);
    expect(lines.find(([, , what]) => what === "Time_signature")).toEqual([
      ...["1", "0", "Time_signature", "4", "2", "24", "8"],
    ]);
    expect(lines.filter(([, , what]) => what === "Program_c")).toEqual([
      ["1", "0", "Program_c", "4", "30"],
      ["1", "15360", "Program_c", "4", "31"],
    ]);
    expect(lines.at(-2)).toEqual(["1", String(timeline.ticks), "End_track"]);
  });

  it("says every program and controller on every channel as it was given", () => {
    const messages: TimedMessage[] = Array.from({ length: 512 }, (_, at) => ({
      tick: at * 37,
      bytes:
        at % 2 === 0 ? [0xc0 | (at % 16), at % 128] : [0xb0 | (at % 16), (at * 7) % 128, (at * 13) % 128],
    }));
    const lines = told(writeChanges("All", timelineOfBody(body), messages)).filter(([, , what]) =>
      /^(?:Program|Control)_c$/u.test(what!),
    );
    expect(lines.map(([, tick, what, ...values]) => [tick, what, ...values])).toEqual(
      messages.map(({ tick, bytes: [status, ...rest] }) => [
        String(tick),
        status! >= 0xc0 ? "Program_c" : "Control_c",
        String(status! & 15),
        ...rest.map(String),
      ]),
    );
  });

  it("follows the tempo and the metre of each section", () => {
    const two = sampleVersion({ a: { lines: ["/G:6"] }, b: { lines: ["/G:4"] } }, ["a", "b"]);
    const changed = {
      ...two,
      uses: { ...two.uses, u0: { ...two.uses.u0!, bpm: 90, meterBeats: 6, meterUnit: 8 as const } },
    };
    const lines = told(writeChanges("Metres", timelineOfBody(changed), []));
    // 90 dotted quarters a minute: a quarter lasts 60000 / 90 × 2 / 3 = 444.444 ms.
    expect(lines.filter(([, , what]) => what === "Tempo").map((line) => line.slice(1))).toEqual([
      ["0", "Tempo", "444444"],
      ["5760", "Tempo", "1000000"],
    ]);
    expect(lines.filter(([, , what]) => what === "Time_signature").map((line) => line.slice(3, 5))).toEqual([
      ["6", "3"],
      ["4", "2"],
    ]);
  });
});
