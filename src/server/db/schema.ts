import {
  boolean,
  customType,
  doublePrecision,
  index,
  integer,
  jsonb,
  pgTable,
  primaryKey,
  real,
  text,
  timestamp,
} from "drizzle-orm/pg-core";
import type { Weighed } from "@/core/practice";
import type { Kind, Verdict } from "@/core/song/schema";
import type { LiveAct, LiveState } from "@/core/stage";
import type { Body, Command, Touch } from "@/document";

const tsvector = customType<{ data: string }>({ dataType: () => "tsvector" });

/** A document as it stands now. `origin` is how it began: replaying its edits on it gives `body`. */
export const documents = pgTable(
  "documents",
  {
    id: text().primaryKey(),
    kind: text().$type<Kind>().notNull(),
    /** The song a version belongs to. */
    parentId: text("parent_id"),
    revision: integer().notNull().default(0),
    schema: integer().notNull(),
    body: jsonb().$type<Body>().notNull(),
    originSchema: integer("origin_schema").notNull(),
    origin: jsonb().$type<Body>().notNull(),
    createdAt: timestamp("created_at", { withTimezone: true }).notNull().defaultNow(),
    updatedAt: timestamp("updated_at", { withTimezone: true }).notNull().defaultNow(),
  },
  (table) => [index("documents_kind").on(table.kind), index("documents_parent").on(table.parentId)],
);

/** The log: one row a revision. An edit sent twice has the same `editId` and stands once. */
export const edits = pgTable(
  "edits",
  {
    documentId: text("document_id")
      .notNull()
      .references(() => documents.id, { onDelete: "cascade" }),
    revision: integer().notNull(),
    editId: text("edit_id").notNull().unique(),
    command: jsonb().$type<Command>().notNull(),
    inverse: jsonb().$type<Command>().notNull(),
    touches: jsonb().$type<readonly Touch[]>().notNull(),
    at: timestamp({ withTimezone: true }).notNull().defaultNow(),
  },
  (table) => [primaryKey({ columns: [table.documentId, table.revision] })],
);

/** What the shelf lists and searches, rewritten in the transaction of each edit. */
export const shelf = pgTable(
  "shelf",
  {
    versionId: text("version_id")
      .primaryKey()
      .references(() => documents.id, { onDelete: "cascade" }),
    songId: text("song_id")
      .notNull()
      .references(() => documents.id, { onDelete: "cascade" }),
    title: text().notNull(),
    by: text().notNull(),
    versionName: text("version_name").notNull(),
    key: text().notNull(),
    bpm: real().notNull(),
    meter: text().notNull(),
    bars: integer().notNull(),
    seconds: real().notNull(),
    players: text().array().notNull(),
    tags: text().array().notNull().default([]),
    /** Every chord as it sounds, in letters, and as written where that cannot be read. */
    chords: text().array().notNull().default([]),
    /** Shapes chosen for players of the band, each as JSON; see `shapes-chosen.ts`. */
    chosen: text().array().notNull().default([]),
    /** Title without case, marks or signs: equal for doubles, and what titles are sorted by. */
    titleKey: text("title_key").notNull().default(""),
    rehearsed: text(),
    /** What the leader thinks of it for this band. */
    verdict: text().$type<Verdict>().notNull().default("open"),
    /** What it asks of the band; null until it is weighed as it is now. */
    weighed: jsonb().$type<Weighed>(),
    /** The most minutes the band likely needs for it, for sorting; null until it is weighed. */
    learning: real(),
    archived: boolean().notNull().default(false),
    updatedAt: timestamp("updated_at", { withTimezone: true }).notNull().defaultNow(),
    /** Title, names, tags and words. */
    search: tsvector().notNull().default(""),
    /** Which form of this table a row was written in; older ones are written anew at the start. */
    form: integer().notNull().default(1),
  },
  (table) => [
    index("shelf_song").on(table.songId),
    index("shelf_title").on(table.titleKey, table.versionId),
    index("shelf_search").using("gin", table.search),
    index("shelf_chords").using("gin", table.chords),
    index("shelf_tags").using("gin", table.tags),
  ],
);

/** A backup that is being brought back. What has come of it is taken back when it does not come to its end. */
export const restores = pgTable("restores", {
  id: text().primaryKey(),
  begunAt: timestamp("begun_at", { withTimezone: true }).notNull().defaultNow(),
});

/** Documents that have come of a backup whose end has not. */
export const arriving = pgTable("arriving", {
  documentId: text("document_id")
    .primaryKey()
    .references(() => documents.id, { onDelete: "cascade" }),
  restoreId: text("restore_id")
    .notNull()
    .references(() => restores.id, { onDelete: "cascade" }),
});

/** What the leader of an evening pressed, in order. A press sent twice has the same `pressId` and stands once. */
export const liveEvents = pgTable(
  "live_events",
  {
    eveningId: text("evening_id")
      .notNull()
      .references(() => documents.id, { onDelete: "cascade" }),
    id: integer().notNull(),
    /** The server's clock, ms since 1970. */
    at: doublePrecision().notNull(),
    pressId: text("press_id").notNull().unique(),
    act: jsonb().$type<LiveAct>().notNull(),
  },
  (table) => [primaryKey({ columns: [table.eveningId, table.id] })],
);

/** The live state as it stood at an event, so that a start need not replay a whole year. */
export const liveStates = pgTable("live_states", {
  eveningId: text("evening_id")
    .primaryKey()
    .references(() => documents.id, { onDelete: "cascade" }),
  state: jsonb().$type<LiveState>().notNull(),
});

/** An evening that is, or was, open to the network. At most one has no end. */
export const openings = pgTable("openings", {
  id: text().primaryKey(),
  eveningId: text("evening_id")
    .notNull()
    .references(() => documents.id, { onDelete: "cascade" }),
  port: integer().notNull(),
  secure: boolean().notNull(),
  salt: text().notNull(),
  passphraseHash: text("passphrase_hash").notNull(),
  /** What players and viewers join with; null when withdrawn. */
  playerCode: text("player_code"),
  viewerCode: text("viewer_code"),
  openedAt: timestamp("opened_at", { withTimezone: true }).notNull().defaultNow(),
  endedAt: timestamp("ended_at", { withTimezone: true }),
});

/** Who has joined an opening. Of the token they carry only a hash is kept. */
export const guests = pgTable(
  "guests",
  {
    id: text().primaryKey(),
    openingId: text("opening_id")
      .notNull()
      .references(() => openings.id, { onDelete: "cascade" }),
    tokenHash: text("token_hash").notNull().unique(),
    role: text().$type<"leader" | "player" | "viewer">().notNull(),
    /** Whose part they see; null until they have said. */
    person: text(),
    joinedAt: timestamp("joined_at", { withTimezone: true }).notNull().defaultNow(),
    removedAt: timestamp("removed_at", { withTimezone: true }),
  },
  (table) => [index("guests_opening").on(table.openingId)],
);

/** A player's own words at a section, on nobody else's screen. */
export const stageNotes = pgTable(
  "stage_notes",
  {
    versionId: text("version_id")
      .notNull()
      .references(() => documents.id, { onDelete: "cascade" }),
    person: text().notNull(),
    useId: text("use_id").notNull(),
    text: text().notNull(),
  },
  (table) => [primaryKey({ columns: [table.versionId, table.person, table.useId] })],
);
