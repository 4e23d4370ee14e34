import type { Command, SimpleCommand } from "../../../document";
import type { BandTables, EveningTables, SongTables, VersionTables } from "../schema/documents";

/** What is done to each kind of document; a step is a single change. */
export type VersionCommand = Command<VersionTables>;
export type VersionStep = SimpleCommand<VersionTables>;
export type SongCommand = Command<SongTables>;
export type BandCommand = Command<BandTables>;
export type EveningCommand = Command<EveningTables>;
