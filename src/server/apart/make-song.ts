import { makeSong } from "@/api";
import { describeSheetLoss, describeSheetProblem, doubtOf } from "@/core/formats";
import { openDatabase } from "../db/open-database";
import { refuse } from "../http";
import { Refuse, Reply, serve } from "../serve";
import { createSong } from "../songs/create";

/** Makes a song of a text or a file; nothing is made of what cannot be read, or of a double that is not wanted. */
export const answerMakeSong = serve(makeSong, async ({ sent }) => {
  const { text, name = "A file", base64, ...settings } = sent;
  const content = text !== undefined ? { text } : { name, bytes: Buffer.from(base64 ?? "", "base64") };
  const created = await createSong(await openDatabase(), { ...settings, content });
  if (!created.ok) {
    const { problem } = created;
    const said = typeof problem === "string" ? problem : describeSheetProblem(problem.problems[0]!);
    return refuse(400, text !== undefined ? "text" : "file", said);
  }
  const song = created.value;
  if (!song.made) return new Refuse(song, 409);
  const { songId, versionId, sheet, title } = song;
  const looks = [...sheet.problems.map(describeSheetProblem), ...sheet.losses.map(describeSheetLoss)];
  const guesses = {
    key: !sheet.keySure,
    beats: sheet.sections.some((one) => one.lines.some((line) => line.chords.some((chord) => chord.guessed))),
    reading: doubtOf(sheet),
  };
  return new Reply({ songId, versionId, title, looks, problems: sheet.problems.length, guesses }, 201);
});
