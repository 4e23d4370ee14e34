import { unwrap } from "../../src/base";
import { bandSheet } from "../../src/core/parts";
import { add, type VersionCommand } from "../../src/core/song/edit";
import { outlineOf, timelineOf } from "../../src/core/song/read";
import {
  type Cell,
  DOCUMENTS,
  EMPTY_CELL,
  type SettingValue,
  type SoundBox,
  type VersionBody,
} from "../../src/core/song/schema";
import { type SongTones, songTones } from "../../src/core/sounds/of-song";
import { defaultSoundBox } from "../../src/core/sounds/of-song/sound-boxes";
import { planTones } from "../../src/core/sounds/plan";
import { applyEdit } from "../../src/document";
import { sampleVersion } from "../song/sample-version";

export const edit = (body: VersionBody, command: VersionCommand): VersionBody =>
  unwrap(applyEdit(DOCUMENTS.version, body, command)).body;

/**
 * A song for tests: four bars of G a section at one beat a second, three sections in the form a, b, c, a; player 0 changes
 * sounds, player 1 plays on.
 * @param cells what parts of player 0 say, by place in the form
 * @param sounds settings by name
 */
export function sampleTones(
  cells: Readonly<Record<number, Partial<Cell>>>,
  sounds: Readonly<Record<string, Readonly<Record<string, SettingValue>>>> = {},
  box: Partial<SoundBox> = {},
  form: string[] = ["a", "b", "c", "a"],
): VersionBody {
  const line = "one/G:4 two/C:4 three/G:4 four/D:4";
  let body = sampleVersion({ a: { lines: [line] }, b: { lines: [line] }, c: { lines: [line] } }, form, [
    { name: "Ada", sings: true },
    { name: "Bo", instrument: "keys", tuning: [] },
  ]);
  for (const [at, fields] of Object.entries(cells))
    body = edit(
      body,
      add("cells", { ...EMPTY_CELL, ...fields, id: `c${at}`, useId: `u${at}`, playerId: "p0" }),
    );
  for (const [at, [name, said]] of Object.entries(sounds).entries())
    body = edit(
      body,
      add("sounds", {
        id: `s${at}`,
        originId: null,
        order: `V${at}`,
        playerId: "p0",
        name,
        fromId: null,
        said,
        note: "",
      }),
    );
  return edit(body, add("soundBoxes", { ...defaultSoundBox("p0"), ...box, id: "box" }));
}

export function tonesOfSample(body: VersionBody): SongTones {
  const outline = outlineOf(body);
  const timeline = timelineOf(body, outline);
  return songTones(body, bandSheet(body, outline, timeline), timeline, body.players.p0!);
}

export const planOfSample = (song: SongTones) => unwrap(planTones(song.asked!));
