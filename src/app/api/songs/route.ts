import { z } from "zod";
import { LONGEST_SHEET, readChordText, saySheetProblem } from "@/core/formats";
import { isStorable } from "@/core/song";
import { refuseChange } from "@/server/access";
import { openDatabase } from "@/server/db/open";
import { readJson, refuse } from "@/server/http";
import { createSong } from "@/server/songs/create";

const newSong = z.object({
  text: z.string(),
  title: z.string().max(200).refine(isStorable, { error: "holds signs that can't be kept" }).default(""),
});

/** Makes a song of a text; nothing is made of an empty or overlong one. */
export async function POST(request: Request): Promise<Response> {
  const refused = refuseChange(request);
  if (refused) return refused;
  const input = await readJson(request, 6 * LONGEST_SHEET, newSong);
  if (!input.ok) return input.response;
  const { problems } = readChordText(input.value.text.slice(0, LONGEST_SHEET + 1));
  const fatal = problems.find((problem) => problem.code === "empty" || problem.code === "too-long");
  if (fatal) return refuse(400, "text", saySheetProblem(fatal));
  const created = await createSong(await openDatabase(), {
    text: input.value.text,
    title: input.value.title,
  });
  return Response.json(created, { status: 201 });
}
