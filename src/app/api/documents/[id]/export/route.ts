import { sheetOfVersion, titleOfFile, writeChordPro } from "@/core/formats";
import { refuse } from "@/server/http";
import { openSong } from "@/server/songs/open";
import { changesOf } from "./changes-of";

type Params = { params: Promise<{ id: string }> };

/**
 * A version as a ChordPro file; with `?losses` the list of what such a file cannot hold. With `?changes=<player>` that
 * player's program and control changes as a MIDI file.
 */
export async function GET(request: Request, { params }: Params): Promise<Response> {
  const found = await openSong((await params).id);
  if (!found) return refuse(404, "id", "names no version here");
  const song = found.song.body;
  const name =
    titleOfFile(`${Object.values(song.song)[0]!.title}.x`).replaceAll(/[^\p{L}\p{N} -]/gu, "") || "song";
  const asked = new URL(request.url).searchParams;
  const player = asked.get("changes");
  if (player !== null) {
    const changes = changesOf(found.version.body, song, player);
    if (!changes) return refuse(404, "changes", "should name a player of this version who changes sounds");
    return asFile(changes.slice(), "audio/midi", `${name}.mid`);
  }
  const sheet = sheetOfVersion(found.version.body, song);
  const { text, losses } = writeChordPro(sheet);
  if (asked.has("losses"))
    return Response.json(
      { text, losses: [...sheet.losses, ...losses] },
      { headers: { "cache-control": "no-store" } },
    );
  return asFile(text, "text/plain; charset=utf-8", `${name}.cho`);
}

const asFile = (body: BodyInit, type: string, name: string): Response =>
  new Response(body, {
    headers: {
      "content-type": type,
      "content-disposition": `attachment; filename*=UTF-8''${encodeURIComponent(name)}`,
      "cache-control": "no-store",
    },
  });
