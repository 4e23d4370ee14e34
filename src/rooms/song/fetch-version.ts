import type { VersionBody } from "@/core/song/schema";

/** A version of a song in a list. */
export type ListedVersion = {
  readonly id: string;
  readonly name: string;
  readonly key: string;
  readonly bpm: number;
};

/** Another version's body, as it stands on the server now. */
export async function fetchVersion(id: string): Promise<VersionBody> {
  const response = await fetch(`/api/documents/${id}`, { cache: "no-store" });
  if (!response.ok) throw new Error(`The server answered ${response.status}.`);
  return ((await response.json()) as { body: VersionBody }).body;
}
