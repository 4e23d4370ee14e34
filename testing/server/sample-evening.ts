import { DOCUMENTS, type EveningBody, type SongBody } from "@/core/song/schema";
import { emptyBody } from "@/document";
import type { createDocuments } from "../../src/server/documents/stored-documents";
import { sampleVersion } from "../song/sample-version";

type NewDocuments = Parameters<typeof createDocuments>[1];

/** An evening of one song and a talk, for tests. Its ids end in `mark`, so that several fit in one database. */
export function sampleEvening(mark: string): NewDocuments {
  const shared = { minutes: 0, note: "", place: null, beforeId: null };
  const song: SongBody = {
    ...emptyBody(DOCUMENTS.song),
    song: {
      s: {
        id: "s",
        title: "Rope",
        by: "",
        composer: "",
        copyright: "",
        tags: [],
        rehearsed: null,
        archived: false,
      },
    },
  };
  const version = sampleVersion(
    { verse: { lines: ["Light/G:4 on/C:4"] }, end: { lines: ["Out/G:4"] } },
    ["verse", "end"],
    [],
  );
  const evening: EveningBody = {
    ...emptyBody(DOCUMENTS.evening),
    evening: {
      e: { id: "e", name: "Night", place: "", note: "", targetMinutes: null, day: null, kept: "in use" },
    },
    items: {
      one: {
        ...shared,
        id: "one",
        order: "V1",
        kind: "song",
        songId: `song${mark}`,
        versionId: `V${mark}`,
        title: "",
      },
      talk: {
        ...shared,
        id: "talk",
        order: "V2",
        kind: "talk",
        songId: null,
        versionId: null,
        title: "Welcome",
      },
    },
  };
  return [
    { id: `song${mark}`, kind: "song", parentId: null, body: song },
    { id: `V${mark}`, kind: "version", parentId: `song${mark}`, body: version },
    { id: `E${mark}`, kind: "evening", parentId: null, body: evening },
  ];
}
