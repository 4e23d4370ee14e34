import { z } from "zod";
import { adjustmentsSchema, LARGEST_FILE, saySheetLoss, saySheetProblem } from "@/core/formats";
import { isStorable } from "@/document";
import { refuseChange } from "@/server/access";
import { openDatabase } from "@/server/db/open";
import { readJson, refuse } from "@/server/http";
import { createSong } from "@/server/songs/create";
import { withStorage } from "@/server/storage";

const newSong = z
  .object({
    text: z.string().optional(),
    /** A file: its name and its bytes in base 64. */
    name: z.string().max(400).optional(),
    base64: z.base64().optional(),
    title: z.string().max(200).refine(isStorable, { error: "holds signs that can't be kept" }).default(""),
    adjustments: adjustmentsSchema.default({}),
    /** Make it though a song of that title is there. */
    double: z.boolean().default(true),
  })
  .refine((input) => (input.text === undefined) !== (input.base64 === undefined), {
    error: "should hold a text, or a file as base64",
  });

/** Makes a song of a text or a file; nothing is made of what cannot be read, or of a double that is not wanted. */
export async function POST(request: Request): Promise<Response> {
  const refused = refuseChange(request);
  if (refused) return refused;
  const input = await readJson(request, LARGEST_FILE * 1.4, newSong);
  if (!input.ok) return input.response;
  const { text, name = "A file", base64, ...settings } = input.value;
  const content = text !== undefined ? { text } : { name, bytes: Buffer.from(base64 ?? "", "base64") };
  return withStorage(async () => {
    const created = await createSong(await openDatabase(), { ...settings, content });
    if (!created.ok) {
      const { problem } = created;
      const said = typeof problem === "string" ? problem : saySheetProblem(problem.problems[0]!);
      return refuse(400, text !== undefined ? "text" : "file", said);
    }
    const song = created.value;
    if (!song.made) return Response.json(song, { status: 409 });
    const { songId, versionId, sheet, title } = song;
    const looks = [...sheet.problems.map(saySheetProblem), ...sheet.losses.map(saySheetLoss)];
    const guesses = {
      key: !sheet.keySure,
      beats: sheet.sections.some((one) =>
        one.lines.some((line) => line.chords.some((chord) => chord.guessed)),
      ),
    };
    return Response.json(
      { songId, versionId, title, looks, problems: sheet.problems.length, guesses },
      { status: 201 },
    );
  });
}
