import { sheetOfVersion, titleOfFile, writeChordPro } from "@/core/formats";
import type { SongBody, VersionBody } from "@/core/song";
import { refuse } from "@/server/http";
import { openSong } from "@/server/songs/open";

type Params = { params: Promise<{ id: string }> };

/** A version as a ChordPro file; with `?losses` the list of what such a file cannot hold. */
export async function GET(request: Request, { params }: Params): Promise<Response> {
  const found = await openSong((await params).id);
  if (!found) return refuse(404, "id", "names no version here");
  const song = found.song.body as SongBody;
  const sheet = sheetOfVersion(found.version.body as VersionBody, song);
  const { text, losses } = writeChordPro(sheet);
  if (new URL(request.url).searchParams.has("losses"))
    return Response.json(
      { text, losses: [...sheet.losses, ...losses] },
      { headers: { "cache-control": "no-store" } },
    );
  const name =
    titleOfFile(`${Object.values(song.song)[0]!.title}.x`).replaceAll(/[^\p{L}\p{N} -]/gu, "") || "song";
  return new Response(text, {
    headers: {
      "content-type": "text/plain; charset=utf-8",
      "content-disposition": `attachment; filename*=UTF-8''${encodeURIComponent(`${name}.cho`)}`,
      "cache-control": "no-store",
    },
  });
}
