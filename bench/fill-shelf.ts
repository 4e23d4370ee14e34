/** Puts many made-up songs on the shelf of a data folder: `tsx bench/fill-shelf.ts <folder> <from> <to>`. */
import { readChordPro } from "../src/core/formats";
import { openFolder } from "../src/server/db/open-database";
import { createDocuments } from "../src/server/documents/stored-documents";
import { songDocuments } from "../src/server/songs/create";
import { song } from "./many-songs.mjs";

const [, , folder, from, to] = process.argv;
const { database, close } = await openFolder(folder!);
for (let number = Number(from); number < Number(to); number += 50) {
  const batch = Array.from({ length: Math.min(50, Number(to) - number) }, (_, at) => {
    const { name, text } = song(number + at);
    const sheet = readChordPro(text);
    const source = { name, kind: "file" as const, text };
    return songDocuments(sheet, { title: sheet.title, tags: sheet.tags, source }).documents;
  });
  await createDocuments(database, batch.flat());
}
await close();
