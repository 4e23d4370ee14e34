import { makersOf } from "../../../document";
import type { BandTables, EveningTables, SongTables, VersionTables } from "../schema/documents";

/** Makers of the edits of a version. They pull no rules along: what they make is judged where it is applied. */
export const { add, set, remove, batch } = makersOf<VersionTables>();

/** Makers of the edits of a song, a band and an evening. */
export const songEdits = makersOf<SongTables>();
export const bandEdits = makersOf<BandTables>();
export const eveningEdits = makersOf<EveningTables>();
