import { mkdtempSync, rmSync } from "node:fs";
import { tmpdir } from "node:os";
import path from "node:path";
import { afterAll } from "vitest";

/** Makes folders for a file's tests; all are removed after the last of them. @example const newFolder = temporaryFolders("crash"); */
export function temporaryFolders(name: string): () => string {
  const folders: string[] = [];
  afterAll(() => {
    for (const folder of folders) rmSync(folder, { recursive: true, force: true });
  });
  return () => {
    const folder = mkdtempSync(path.join(tmpdir(), `lantern-${name}-`));
    folders.push(folder);
    return folder;
  };
}

/** Sends JSON to the real program, and reads its answer. */
export async function post({ address }: { readonly address: string }, place: string, body: unknown) {
  const response = await fetch(address + place, {
    method: "POST",
    // A line kept open may be ended by the server just as it is used again.
    headers: { "content-type": "application/json", connection: "close" },
    body: JSON.stringify(body),
  });
  return { status: response.status, body: await response.json() };
}
