import { type Body, defineDocuments, type RowsIn } from "../../../document";
import { bandShapeTables, chosenShapeTables } from "./chosen-shapes";
import { cueTables } from "./cues";
import { entranceTables } from "./entrances";
import { eveningTables } from "./evening";
import { loopHabitTables, loopTables } from "./loops";
import { partTables } from "./parts";
import { bandPlayerTables, playerTables } from "./players";
import { practiceTables } from "./practices";
import { sectionTables } from "./sections";
import { bandSoundTables, soundTables } from "./sounds";
import { splitHabitTables } from "./split-habits";
import { bandTables, songTables } from "./titles";
import { versionTables } from "./version";

const TABLES = {
  version: {
    ...versionTables,
    ...sectionTables,
    ...playerTables,
    ...partTables,
    ...chosenShapeTables,
    ...entranceTables,
    ...loopTables,
    ...soundTables,
    ...cueTables,
  },
  song: { ...songTables, ...practiceTables },
  band: {
    ...bandTables,
    ...bandPlayerTables,
    ...bandShapeTables,
    ...loopHabitTables,
    ...bandSoundTables,
    ...splitHabitTables,
  },
  evening: eveningTables,
};

/**
 * The kinds of document. Rows refer to each other by id and stand in lists by `order`, a fractional index, so that one edit
 * touches one field of one row. Text is kept as typed; lengths are bounded so that no single edit can flood the log.
 */
export const DOCUMENTS = Object.freeze(defineDocuments(TABLES));

export type Kind = keyof typeof TABLES;
export const isKind = (text: string): text is Kind => Object.hasOwn(DOCUMENTS, text);

/** The form bodies are stored in now: the newest that a table or a field came with. */
export const SCHEMA = DOCUMENTS.version.form;

export type VersionTables = RowsIn<(typeof TABLES)["version"]>;
export type SongTables = RowsIn<(typeof TABLES)["song"]>;
export type BandTables = RowsIn<(typeof TABLES)["band"]>;
export type EveningTables = RowsIn<(typeof TABLES)["evening"]>;

export type VersionBody = Body<VersionTables>;
export type SongBody = Body<SongTables>;
export type BandBody = Body<BandTables>;
export type EveningBody = Body<EveningTables>;

/** The rows of each kind's tables. */
export type TablesOf = {
  readonly version: VersionTables;
  readonly song: SongTables;
  readonly band: BandTables;
  readonly evening: EveningTables;
};
