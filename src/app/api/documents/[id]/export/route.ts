import { exportVersion } from "@/api";
import { sheetOfVersion, titleOfFile, writeChordPro } from "@/core/formats";
import { headOf } from "@/document";
import { refuse } from "@/server/http";
import { serve } from "@/server/serve";
import { openSong } from "@/server/songs/open-song";
import { changesOf } from "./changes-of";

/**
 * A version as a ChordPro file; with `?losses` the list of what such a file cannot hold. With `?changes=<player>` that
 * player's program and control changes as a MIDI file.
 */
export const GET = serve(exportVersion, async ({ params, sent }) => {
  const found = await openSong(params.id!);
  if (!found) return refuse(404, "id", "names no version here");
  const song = found.song.body;
  const name = titleOfFile(`${headOf(song, "song").title}.x`).replaceAll(/[^\p{L}\p{N} -]/gu, "") || "song";
  if (sent.changes !== undefined) {
    const changes = changesOf(found.version.body, song, sent.changes);
    if (!changes) return refuse(404, "changes", "should name a player of this version who changes sounds");
    return asFile(changes.slice(), "audio/midi", `${name}.mid`);
  }
  const sheet = sheetOfVersion(found.version.body, song);
  const { text, losses } = writeChordPro(sheet);
  if (sent.losses !== undefined) return { text, losses: [...sheet.losses, ...losses] };
  return asFile(text, "text/plain; charset=utf-8", `${name}.cho`);
});

const asFile = (body: BodyInit, type: string, name: string): Response =>
  new Response(body, {
    headers: {
      "content-type": type,
      "content-disposition": `attachment; filename*=UTF-8''${encodeURIComponent(name)}`,
      "cache-control": "no-store",
    },
  });
