import type { SongEdges } from "@/core/evenings";

/** A version of a song as a running order needs it. */
export type ListedVersion = {
  readonly versionId: string;
  readonly songId: string;
  readonly title: string;
  readonly versionName: string;
  readonly key: string;
  readonly edges: SongEdges;
};
