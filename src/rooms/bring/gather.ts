import { isPack, isSongFile, LARGEST_FILE, sayZipProblem, unzip } from "@/core/formats";

/** A file that waits to be read. */
export type Waiting = { readonly name: string; readonly bytes: Uint8Array };

/** What was gathered, and what was passed over with a sentence why. */
export type Gathered = {
  readonly files: readonly Waiting[];
  readonly passed: readonly { name: string; why: string }[];
};

const ZIP_LIMITS = { files: 5000, bytes: 300_000_000 };

/** Unpacks zips and leaves out what is no song file. */
export async function gather(chosen: readonly File[]): Promise<Gathered> {
  const files: Waiting[] = [];
  const passed: { name: string; why: string }[] = [];
  for (const file of chosen) {
    const name = file.webkitRelativePath || file.name;
    const packed = /\.zip$/iu.test(name);
    if (!packed && !isSongFile(name)) {
      passed.push({
        name,
        why: "Its ending is none of a song file (txt, cho, pro, xml, musicxml, mxl, mid).",
      });
      continue;
    }
    if (!packed && file.size > LARGEST_FILE) {
      passed.push({ name, why: `It is larger than ${LARGEST_FILE / 1_000_000} MB.` });
      continue;
    }
    const bytes = new Uint8Array(await file.arrayBuffer());
    if (!isPack(name, bytes)) {
      files.push({ name, bytes });
      continue;
    }
    const found = unzip(bytes, ZIP_LIMITS, isSongFile);
    if (!found.ok) passed.push({ name, why: sayZipProblem(found.problem) });
    else {
      if (found.value.length === 0) passed.push({ name, why: "It holds no song file." });
      files.push(...found.value);
    }
  }
  return { files: files.sort((a, b) => a.name.localeCompare(b.name)), passed };
}
