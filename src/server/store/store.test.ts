import { MessageChannel } from "node:worker_threads";
import { afterAll, beforeAll, beforeEach, describe, expect, it } from "vitest";
import { openInMemory } from "./blank";
import { StoreClient } from "./client";
import { serveLine } from "./serve-line";

const database = await openInMemory();
const open: StoreClient[] = [];
/** Another line to the database, as another thread has one. */
const connect = (): StoreClient => {
  const { port1, port2 } = new MessageChannel();
  serveLine(port1, database);
  const client = new StoreClient(port2);
  open.push(client);
  return client;
};

beforeAll(() => database.exec("create table kept (id int primary key, body jsonb, at timestamptz)"));
beforeEach(() => database.exec("delete from kept"));
afterAll(async () => {
  for (const client of open) await client.close();
  await database.close();
});
const ids = async (client: StoreClient) =>
  (await client.query("select id from kept order by id")).rows.map((row) => (row as { id: number }).id);

describe("a database that is asked over a line", () => {
  it("gives JSON as values and leaves named types as text, by name or in order", async () => {
    const client = connect();
    await client.query("insert into kept values ($1, $2, $3)", [
      1,
      JSON.stringify({ words: ["líght", null] }),
      "2026-11-30T08:00:00Z",
    ]);
    const parsers = { 1184: (text: string) => text };
    const named = await client.query("select * from kept", [], { parsers });
    expect(named.rows).toEqual([{ id: 1, body: { words: ["líght", null] }, at: "2026-11-30 08:00:00+00" }]);
    const inOrder = await client.query("select body, id, null::jsonb from kept", [], { rowMode: "array" });
    expect(inOrder.rows).toEqual([[{ words: ["líght", null] }, 1, null]]);
    expect((await client.query("update kept set id = 2")).affectedRows).toBe(1);
  });

  it("says what the database says, its code too", async () => {
    const client = connect();
    await client.query("insert into kept values (1)");
    await expect(client.query("insert into kept values (1)")).rejects.toMatchObject({
      code: "23505",
      constraint: "kept_pkey",
      message: expect.stringContaining("duplicate key"),
    });
  });

  it("keeps a transaction whole or takes it back, and one waits for another", async () => {
    const [client, other] = [connect(), connect()];
    const order: string[] = [];
    const first = client.transaction(async (tx) => {
      await tx.query("insert into kept values (1)");
      order.push("first");
      await new Promise((resolve) => setTimeout(resolve, 20));
      await tx.query("insert into kept values (2)");
      order.push("first ends");
    });
    const second = other.transaction(async (tx) => {
      order.push("second");
      await tx.query("insert into kept values (3)");
      throw new Error("never mind");
    });
    await first;
    await expect(second).rejects.toThrow("never mind");
    expect(order).toEqual(["first", "first ends", "second"]);
    expect(await ids(client)).toEqual([1, 2]);
  });

  it("says why a transaction can't be kept", async () => {
    const client = connect();
    await database.exec(
      "create table later (id int references kept deferrable initially deferred); delete from later",
    );
    const broken = client.transaction((tx) => tx.query("insert into later values (9)"));
    await expect(broken).rejects.toMatchObject({ code: "23503" });
    await client.query("insert into kept values (1)");
    expect(await ids(client)).toEqual([1]);
  });

  it("takes back what a thread had open when it ended, and goes on for others", async () => {
    const [ended, waiting, other] = [connect(), connect(), connect()];
    const begun = ended.transaction(async (tx) => {
      await tx.query("insert into kept values (7)");
      await ended.close();
      await tx.query("insert into kept values (8)");
    });
    const queued = waiting.transaction((tx) => tx.query("insert into kept values (9)"));
    const [first, second] = await Promise.allSettled([begun, queued, waiting.close()]);
    for (const one of [first, second])
      expect(one).toMatchObject({
        status: "rejected",
        reason: { message: expect.stringMatching(/is closed/u) },
      });
    await other.query("insert into kept values (10)");
    expect(await ids(other)).toEqual([10]);
  });
});
