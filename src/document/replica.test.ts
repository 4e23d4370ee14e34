import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { sampleVersion } from "../../testing/song/sample-version";
import { unwrap } from "../base";
import { set } from "../core/song/edit";
import { DOCUMENTS, type VersionTables } from "../core/song/schema";
import { applyEdit } from "./apply";
import type { Command as AnyCommand } from "./command";
import {
  type ArrivedEdit as AnyArrived,
  type PendingEdit as AnyPending,
  type Replica as AnyReplica,
  addPending,
  dropPending,
  newReplica,
  receive,
  resumePending,
} from "./replica";
import { overlap, touches } from "./touch";

type Command = AnyCommand<VersionTables>;
type ArrivedEdit = AnyArrived<VersionTables>;
type PendingEdit = AnyPending<VersionTables>;
type Replica = AnyReplica<VersionTables>;

const start = sampleVersion({ a: { lines: ["/G:4"] }, b: { lines: ["/C:4"] } }, ["a", "b"]);
const label = (id: string, text: string): Command => set("sections", id, { label: text });
const act = (replica: Replica, editId: string, command: Command) =>
  addPending(replica, { editId, command }, unwrap(applyEdit(DOCUMENTS.version, replica.view, command)).body);

/** A server that takes edits in turn, by the rules of the store. */
class Server {
  readonly log: ArrivedEdit[] = [];
  body = start;

  take(edit: PendingEdit): "done" | "conflict" {
    const since = this.log.filter((one) => one.revision > edit.base).flatMap((one) => touches(one.command));
    if (overlap(touches(edit.command), since).length > 0) return "conflict";
    this.body = unwrap(applyEdit(DOCUMENTS.version, this.body, edit.command)).body;
    this.log.push({ revision: this.log.length + 1, editId: edit.editId, command: edit.command });
    return "done";
  }
}

describe("a replica", () => {
  it("shows its own edit at once, keeps it when acknowledged", () => {
    const mine = act(newReplica(DOCUMENTS.version, 0, start), "e1", label("a", "Mine"));
    expect(mine.view.sections!.a!.label).toBe("Mine");
    const taken = receive(mine, { revision: 1, editId: "e1", command: label("a", "Mine") })!;
    expect(taken.replica).toMatchObject({ revision: 1, pending: [] });
    expect(taken.replica.acknowledged).toEqual(mine.view);
  });

  it("puts another's edit under its own", () => {
    const mine = act(newReplica(DOCUMENTS.version, 0, start), "e1", label("a", "Mine"));
    const { replica, lost } = receive(mine, { revision: 1, editId: "x", command: label("b", "Theirs") })!;
    expect(lost).toEqual([]);
    expect(replica.pending[0]!.base).toBe(1);
    expect([replica.view.sections!.a!.label, replica.view.sections!.b!.label]).toEqual(["Mine", "Theirs"]);
  });

  it("gives up its own on the same place, with both values", () => {
    const mine = act(newReplica(DOCUMENTS.version, 0, start), "e1", label("a", "Mine"));
    const { replica, lost } = receive(mine, { revision: 1, editId: "x", command: label("a", "Theirs") })!;
    expect(replica.view.sections!.a!.label).toBe("Theirs");
    expect(lost).toHaveLength(1);
    expect(lost[0]!.at).toEqual([
      { table: "sections", id: "a", field: "label", theirs: "Theirs", yours: "Mine" },
    ]);
  });

  it("asks for what it missed, and takes nothing twice", () => {
    const replica = newReplica(DOCUMENTS.version, 0, start);
    expect(receive(replica, { revision: 2, editId: "x", command: label("a", "Later") })).toBeNull();
    const once = receive(replica, { revision: 1, editId: "x", command: label("a", "Once") })!.replica;
    expect(receive(once, { revision: 1, editId: "x", command: label("a", "Once") })!.replica).toBe(once);
  });

  it("takes a refused edit back", () => {
    const two = act(
      act(newReplica(DOCUMENTS.version, 0, start), "e1", label("a", "One")),
      "e2",
      label("b", "Two"),
    );
    const { replica } = dropPending(two, "e1");
    expect([replica.view.sections!.a!.label, replica.view.sections!.b!.label]).toEqual(["a", "Two"]);
  });

  it("takes up what waited, but not what is stored or lost to another", () => {
    const saved: PendingEdit[] = [
      { editId: "stored", base: 0, command: label("a", "Stored") },
      { editId: "free", base: 0, command: set("sections", "b", { energy: 3 }) },
      { editId: "met", base: 0, command: label("b", "Mine") },
    ];
    const missed: ArrivedEdit[] = [
      { revision: 1, editId: "stored", command: label("a", "Stored") },
      { revision: 2, editId: "x", command: label("b", "Theirs") },
    ];
    let body = start;
    for (const edit of missed) body = unwrap(applyEdit(DOCUMENTS.version, body, edit.command)).body;
    const { replica, lost } = resumePending(newReplica(DOCUMENTS.version, 2, body), saved, missed);
    expect(replica.pending.map((edit) => [edit.editId, edit.base])).toEqual([["free", 2]]);
    expect(lost.map((one) => one.edit.editId)).toEqual(["met"]);
    expect(replica.view.sections!.b).toMatchObject({ label: "Theirs", energy: 3 });
  });

  it("two windows end alike whatever the order of sending and hearing (law)", () => {
    const step = fc.record({
      window: fc.nat(1),
      what: fc.constantFrom("edit", "send", "hear"),
      section: fc.constantFrom("a", "b"),
      field: fc.constantFrom("label", "energy"),
      value: fc.nat(4),
    });
    fc.assert(
      fc.property(fc.array(step, { maxLength: 40 }), (steps) => {
        const server = new Server();
        const windows = [newReplica(DOCUMENTS.version, 0, start), newReplica(DOCUMENTS.version, 0, start)];
        const hear = (window: number) => {
          for (const edit of server.log)
            windows[window] = receive(windows[window]!, edit)?.replica ?? windows[window]!;
        };
        const send = (window: number) => {
          const edit = windows[window]!.pending[0];
          if (!edit) return;
          if (server.take(edit) === "conflict")
            windows[window] = dropPending(windows[window]!, edit.editId).replica;
          hear(window);
        };
        for (const [index, { window, what, section, field, value }] of steps.entries()) {
          const command = set("sections", section, { [field]: field === "label" ? `L${index}` : value });
          if (what === "edit") windows[window] = act(windows[window]!, `e${index}`, command);
          else if (what === "send") send(window);
          else hear(window);
        }
        for (let round = 0; round < 50; round++) for (const window of [0, 1]) send(window);
        for (const window of [0, 1]) hear(window);
        expect(windows[0]!.view).toEqual(server.body);
        expect(windows[1]!.view).toEqual(server.body);
        expect(windows.every((one) => one.pending.length === 0)).toBe(true);
      }),
      { numRuns: 150 },
    );
  });
});
