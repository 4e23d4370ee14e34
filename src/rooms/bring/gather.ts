import { describeZipProblem, isPack, isSongFile, LARGEST_FILE, songsInFile, unzip } from "@/core/formats";

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
      files.push(...songsInFile(name, bytes));
      continue;
    }
    const found = unzip(bytes, ZIP_LIMITS, isSongFile);
    if (!found.ok) passed.push({ name, why: describeZipProblem(found.problem) });
    else {
      if (found.value.length === 0) passed.push({ name, why: "It holds no song file." });
      files.push(...found.value.flatMap((one) => songsInFile(one.name, one.bytes)));
    }
  }
  return { files: files.sort((a, b) => a.name.localeCompare(b.name)), passed };
}

const MOST_DROPPED = 5000;

/** The files of a drop, those inside dropped folders too. */
export async function droppedFiles(transfer: DataTransfer): Promise<File[]> {
  // What was dropped must be asked for before the first wait: the list is gone after it.
  const entries = [...transfer.items].flatMap((item) => item.webkitGetAsEntry() ?? []);
  if (entries.length === 0) return [...transfer.files];
  const files: File[] = [];
  const open = [...entries];
  while (open.length > 0 && files.length < MOST_DROPPED) {
    const entry = open.pop()!;
    if (entry.isFile) files.push(await fileOf(entry as FileSystemFileEntry));
    else if (entry.isDirectory) open.push(...(await entriesOf(entry as FileSystemDirectoryEntry)));
  }
  return files;
}

const fileOf = (entry: FileSystemFileEntry): Promise<File> =>
  new Promise((resolve, reject) => entry.file(resolve, reject));

/** A folder hands out its entries in parts, until a part is empty. */
async function entriesOf(folder: FileSystemDirectoryEntry): Promise<FileSystemEntry[]> {
  const reader = folder.createReader();
  const all: FileSystemEntry[] = [];
  for (;;) {
    const part = await new Promise<FileSystemEntry[]>((resolve, reject) =>
      reader.readEntries(resolve, reject),
    );
    if (part.length === 0) return all;
    all.push(...part);
  }
}
