import { describe, expect, it } from "vitest";
import { sampleVersion } from "../../../../testing/song/sample-version";
import { unwrap } from "../../../base";
import { applyEdit } from "../../../document";
import type { VersionCommand } from "../../song/edit";
import { DOCUMENTS, EMPTY_CELL, type Sound, type VersionBody } from "../../song/schema";
import {
  addSound,
  describeDifferences,
  describeNamed,
  describeSound,
  differencesOf,
  isOn,
  PLAIN_SETTINGS,
  removeSound,
  renameSound,
  setBase,
  setSetting,
  settingsOf,
  soundsOf,
  usesOfSound,
} from ".";

let made = 0;
const makeId = () => `n${made++}`;
const edit = (body: VersionBody, command: VersionCommand): VersionBody =>
  unwrap(applyEdit(DOCUMENTS.version, body, command)).body;

/** A player with a verse sound and a solo that starts from it; the verse is named in one part. */
function song(): { body: VersionBody; verse: Sound; solo: Sound } {
  let body = sampleVersion({ verse: { lines: ["la/G:4"] } }, ["verse"], [{ name: "Ada" }]);
  body = edit(body, addSound(body, "p0", { id: "verse", name: "Verse" }));
  body = edit(body, addSound(body, "p0", { id: "solo", name: "Solo", fromId: "verse" }));
  body = edit(body, setSetting(body.sounds, body.sounds.verse!, "delay", "1/8."));
  body = edit(body, setSetting(body.sounds, body.sounds.solo!, "level", -3));
  body = edit(body, setSetting(body.sounds, body.sounds.solo!, "tone", 4));
  return { body, verse: body.sounds.verse!, solo: body.sounds.solo! };
}

describe("sounds", () => {
  it("start from another: 3 dB less and darker, the delay as before", () => {
    const { body, verse, solo } = song();
    const settings = settingsOf(body.sounds, solo);
    expect(settings).toMatchObject({ level: -3, tone: 4, delay: "1/8." });
    expect(describeDifferences(differencesOf(settingsOf(body.sounds, verse), settings))).toBe(
      "3 dB quieter, guitar tone down to 4 of 10",
    );
    expect(isOn(settings, "delay")).toBe(true);
    expect(describeSound(PLAIN_SETTINGS)).toBe("plain");
  });

  it("follow the sound they start from, and write down only what is otherwise", () => {
    const { body, solo } = song();
    const louder = edit(body, setSetting(body.sounds, body.sounds.verse!, "drive", 2));
    expect(settingsOf(louder.sounds, solo).drive).toBe(2);
    const back = edit(body, setSetting(body.sounds, solo, "level", 0));
    expect(back.sounds.solo!.said).toEqual({ tone: 4 });
  });

  it("say nothing of an effect that is off", () => {
    const { body, verse } = song();
    const plain = settingsOf(body.sounds, verse);
    const lines = differencesOf(plain, { ...plain, delay: "off", "delay.mix": 80, "wah.place": 9 });
    expect(lines.map(({ key }) => key)).toEqual(["delay"]);
    expect(describeDifferences(lines)).toBe("no delay");
  });

  it("refuse a circle, and read one that came about all the same", () => {
    const { body, verse, solo } = song();
    expect(setBase(body.sounds, verse, solo.id)).toBeNull();
    const circle = { ...body.sounds, verse: { ...verse, fromId: "solo" } };
    expect(settingsOf(circle, circle.verse)).toMatchObject({ delay: "1/8.", level: -3 });
  });

  it("are renamed everywhere they are named; two can't have one name", () => {
    const { body, verse } = song();
    const cell = { id: "c", useId: "u0", playerId: "p0", sound: "Verse" };
    const named = edit(body, {
      type: "add",
      table: "cells",
      row: { ...EMPTY_CELL, ...cell },
    });
    expect(usesOfSound(named, verse)).toBe(1);
    const renamed = edit(named, renameSound(named, verse, " Low tide ")!);
    expect(renamed.cells.c!.sound).toBe("Low tide");
    expect(renameSound(named, verse, "Solo")).toBeNull();
    expect(renameSound(named, verse, "  ")).toBeNull();
  });

  it("leave what they gave to those that start from them, and their parts take another", () => {
    const { body, verse } = song();
    const named = edit(body, {
      type: "add",
      table: "cells",
      row: { ...EMPTY_CELL, id: "c", useId: "u0", playerId: "p0", sound: "Verse" },
    });
    const gone = edit(named, removeSound(named, verse, "Solo"));
    expect(gone.sounds.verse).toBeUndefined();
    expect(settingsOf(gone.sounds, gone.sounds.solo!)).toMatchObject({ delay: "1/8.", level: -3 });
    expect(gone.cells.c!.sound).toBe("Solo");
    expect(edit(named, removeSound(named, verse, null)).cells.c!.sound).toBe("Verse");
  });

  it("are described from the names the sheet has, in order", () => {
    const { body } = song();
    const more = edit(body, describeNamed(body, "p0", ["Swell", "Roar"], makeId));
    expect(soundsOf(more, "p0").map(({ name }) => name)).toEqual(["Verse", "Solo", "Swell", "Roar"]);
  });

  it.each([
    [{ level: 40 }, "should have from -24 to 12 dB as level"],
    [{ delay: "1/5" }, "should have one of off"],
    [{ wah: 1 }, "should say on or off of wah"],
    [{ cheese: 1 }, "is no setting of a sound"],
  ])("refuse %j with a sentence, and nothing is changed", (said, message) => {
    const { body } = song();
    const tried = applyEdit(DOCUMENTS.version, body, {
      type: "set",
      table: "sounds",
      id: "solo",
      fields: { said },
    });
    expect(tried).toMatchObject({ ok: false, problem: { code: "bad-field", field: "said" } });
    if (!tried.ok && tried.problem.code === "bad-field") expect(tried.problem.message).toContain(message);
  });
});
