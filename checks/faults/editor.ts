import { setTimeout as wait } from "node:timers/promises";
import type { VersionCommand } from "@/core/song/edit";
import { DOCUMENTS, type TablesOf } from "@/core/song/schema";
import type { ArrivedEdit, Body, PendingEdit } from "@/document";
import { type Answer, createDocumentStore, type DocumentStore, type Transport } from "@/document/client";
import type { Chance } from "./chance";
import { ask, follow } from "./line";

type Tables = TablesOf["version"];

/** Nobody goes on typing for long while nothing is saved. */
const MOST_PENDING = 8;

/** The row everybody writes to: there edits meet. */
export const SHARED = "shared";

/** What a window needs to reach its version. */
export type Reach = { readonly address: string; readonly versionId: string; readonly cookie: string };

/**
 * A window that edits a version: the program's own store over a line that breaks, its queue kept over a reload. What it was
 * told is saved is written down.
 */
export class Editor {
  readonly acknowledged = new Set<string>();
  private store: DocumentStore<Tables>;
  private stopStore: () => void = () => {};
  private queued: readonly PendingEdit<Tables>[] = [];
  private made = 0;
  /** How often it was opened: what was opened before sends nothing more, and keeps nothing. */
  private opened = 0;
  private readonly rows: string[] = [];

  private constructor(
    private readonly name: string,
    private readonly about: Reach,
    private readonly chance: Chance,
    loaded: { readonly revision: number; readonly body: Body<Tables> },
  ) {
    this.store = this.open(loaded);
  }

  static async open(name: string, about: Reach, chance: Chance): Promise<Editor> {
    return new Editor(name, about, chance, await load(about));
  }

  /** What this window shows. */
  get view(): Body<Tables> {
    return this.store.state.getState().replica.view;
  }

  get isSaved(): boolean {
    const { saving, replica } = this.store.state.getState();
    return saving === "saved" && replica.pending.length === 0;
  }

  get revision(): number {
    return this.store.state.getState().replica.revision;
  }

  /** Edits as somebody does: adds, renames, takes out, several at once. */
  edit(): void {
    if (this.store.state.getState().replica.pending.length >= MOST_PENDING) return;
    const id = `${this.name}r${this.made++}`;
    const row = { id, order: "V", name: id, kind: "sheet", text: "" } as const;
    const kind = this.chance.below(6);
    const own = this.rows[this.chance.below(this.rows.length)];
    let command: VersionCommand = { type: "add", table: "sources", row };
    if (kind === 0 && this.view.sources[SHARED])
      command = { type: "set", table: "sources", id: SHARED, fields: { name: `${id} was here` } };
    else if (kind === 1 && own && this.view.sources[own])
      command = { type: "remove", table: "sources", id: own };
    else if (kind === 2)
      command = {
        type: "batch",
        label: "Two at once",
        commands: [
          { type: "add", table: "sources", row },
          { type: "add", table: "sources", row: { ...row, id: `${id}b` } },
        ],
      };
    if (this.store.act(command) && command.type === "add") this.rows.push(id);
    for (const lost of this.store.state.getState().lost) this.store.dismiss(lost);
  }

  /** Closes the window and opens it anew: only what its queue has kept goes on. */
  async reload(): Promise<void> {
    this.stopStore();
    this.opened++;
    for (;;) {
      const loaded = await load(this.about).catch(() => null);
      if (loaded) {
        this.store = this.open(loaded);
        return;
      }
      await wait(200);
    }
  }

  stop(): void {
    this.stopStore();
  }

  private open(loaded: { readonly revision: number; readonly body: Body<Tables> }): DocumentStore<Tables> {
    const own = this.opened;
    const queue = {
      load: async () => [...this.queued],
      save: async (pending: readonly PendingEdit<Tables>[]) => {
        if (own === this.opened) this.queued = structuredClone(pending);
      },
    };
    const store = createDocumentStore(
      DOCUMENTS.version,
      { id: this.about.versionId, ...loaded },
      {
        queue,
        transport: this.transport(() => own === this.opened),
        makeId: () => `${this.name}e${this.chance.below(1e9)}x${this.made}`,
        retryMs: 300,
      },
    );
    this.stopStore = store.start();
    return store;
  }

  private transport(isOpen: () => boolean): Transport<Tables> {
    const { address, versionId, cookie } = this.about;
    const place = `/api/documents/${versionId}`;
    return {
      send: async (edit) => {
        if (!isOpen()) return { status: "away" };
        const said = await ask(address, "POST", `${place}/edits`, { body: edit, cookie });
        if (said?.status === 200) this.acknowledged.add(edit.editId);
        return answerOf(said);
      },
      since: async (revision) => {
        const said = await ask(address, "GET", `${place}/edits?since=${revision}`, { cookie });
        if (said?.status !== 200) throw new Error("Expected the edits since a revision.");
        return said.body.edits as ArrivedEdit<Tables>[];
      },
      follow: (revision, take) => {
        let cursor = revision;
        return follow(
          () => `${address}/api/events?follow=${versionId}:${cursor}`,
          cookie,
          (data) => {
            const edit = JSON.parse(data) as ArrivedEdit<Tables>;
            cursor = Math.max(cursor, edit.revision);
            take(edit);
          },
        );
      },
    };
  }
}

async function load({ address, versionId, cookie }: Reach) {
  const said = await ask(address, "GET", `/api/documents/${versionId}`, { cookie });
  if (said?.status !== 200) throw new Error("Expected the version.");
  return { revision: said.body.revision as number, body: said.body.body as Body<Tables> };
}

/** As `httpTransport` of the rooms reads an answer. */
function answerOf(said: Awaited<ReturnType<typeof ask>>): Answer<Tables> {
  if (said === null) return { status: "away" };
  const { status, body } = said;
  if (status === 200) return { status: "done", edit: body.edit as ArrivedEdit<Tables> };
  if (status === 507) return { status: "storage" };
  if (status === 401 || status === 403) return { status: "locked" };
  if (status >= 500) return { status: "away" };
  if (body.status === "conflict") return body as unknown as Answer<Tables>;
  if (body.status === "refused") return body as unknown as Answer<Tables>;
  return { status: "rejected", message: JSON.stringify(body) };
}
