import { z } from "zod";
import { idSchema, isStorable } from "@/document";
import { refuseChange } from "@/server/access";
import { openDatabase } from "@/server/db/open";
import { readJson, refuse } from "@/server/http";
import { copyVersion } from "@/server/songs/versions";
import { withStorage } from "@/server/storage";

const newVersion = z.object({
  from: idSchema,
  name: z
    .string()
    .trim()
    .min(1, { error: "should not be empty" })
    .max(80)
    .refine(isStorable, { error: "holds signs that can't be kept" }),
});

/** Starts a version from another. */
export async function POST(request: Request): Promise<Response> {
  const refused = refuseChange(request);
  if (refused) return refused;
  const input = await readJson(request, 10_000, newVersion);
  if (!input.ok) return input.response;
  return withStorage(async () => {
    const versionId = await copyVersion(await openDatabase(), input.value.from, input.value.name);
    if (versionId === null) return refuse(404, "from", "names no version here; it may have been removed");
    return Response.json({ versionId }, { status: 201 });
  });
}
