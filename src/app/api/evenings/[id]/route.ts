import { changeEvening } from "@/api";
import { refuse } from "@/server/http";
import { serve } from "@/server/serve";
import { addSong, duplicateEvening, keepEvening } from "@/server/songs/evening-acts";

/** What the shelf does with an evening. */
export const POST = serve(changeEvening, async ({ params, sent: wanted }) => {
  const id = params.id!;
  const done =
    wanted.act === "duplicate"
      ? await duplicateEvening(id)
      : wanted.act === "keep"
        ? await keepEvening(id, wanted.kept)
        : await addSong(id, wanted.versionId);
  if ("id" in done) return done;
  return done.gone === "evening"
    ? refuse(404, "id", "names no evening here; it may have been removed")
    : done.gone === "song"
      ? refuse(404, "versionId", "names no song here; it may have been removed")
      : refuse(409, "evening", "was changed at the same moment; try again");
});
