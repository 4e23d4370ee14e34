// @vitest-environment happy-dom
import { act } from "react";
import { createRoot, type Root } from "react-dom/client";
import { afterEach, beforeEach, describe, expect, it, vi } from "vitest";
import { fail, ok, type Result } from "@/base";
import { Pool, ThreadDied } from "../threads";
import { client } from "./client";
import { useEngine, useEngines, useProgress } from "./use-engine";

/** What waits to be answered, by the symbol that is asked about. */
type Open = {
  readonly answer: (result: Result<unknown, unknown>) => void;
  readonly refuse: (error: Error) => void;
  readonly signal: AbortSignal | undefined;
  readonly tell: (done: number, of: number) => void;
};
const open = new Map<string, Open>();
const begun: string[] = [];

vi.spyOn(Pool.prototype, "ask").mockImplementation(
  ({ question }, { signal, onProgress } = {}) =>
    new Promise((resolve, reject) => {
      const { chord } = question as { chord: { symbol: string } };
      begun.push(chord.symbol);
      signal?.addEventListener("abort", () => reject(signal.reason));
      open.set(chord.symbol, {
        answer: resolve,
        refuse: reject,
        signal,
        tell: (done, of) => onProgress?.(done, of),
      });
    }),
);

let root: Root;
beforeEach(() => {
  vi.stubGlobal("IS_REACT_ACT_ENVIRONMENT", true);
  document.body.innerHTML = "<main></main>";
  root = createRoot(document.querySelector("main")!);
  open.clear();
  begun.length = 0;
});
afterEach(async () => {
  await act(async () => root.unmount());
  client.clear();
});

const question = (symbol: string) =>
  ({ chord: { kind: "chord", symbol }, options: { tuning: [] } }) as never as Parameters<
    typeof useEngine<"fingerings">
  >[1];
const total = (count: number) => ok({ fingerings: [], total: count, exact: true });
const text = () => document.querySelector("main")!.textContent;
/** Turns of the event loop until all that follows from an answer has come: each step of it waits for a timer. */
const TURNS = 10;
const settle = (what: () => void) =>
  act(async () => {
    what();
    for (let turn = 0; turn < TURNS; turn++) await new Promise((resolve) => setTimeout(resolve, 1));
  });

let last: ReturnType<typeof useEngine<"fingerings", string>>;
function One({ symbol, beside }: { symbol: string | null; beside?: string }) {
  last = useEngine("fingerings", symbol === null ? null : question(symbol), beside ?? symbol ?? "");
  const { share } = useProgress("fingerings", symbol === null ? null : question(symbol));
  const { data, isOld, error, problem } = last;
  return `${data?.total ?? "none"} of ${last.beside} ${isOld ? "old" : "now"} ${error?.message ?? ""}${problem ? "refused" : ""}${share || ""}`;
}
const show = (symbol: string | null, beside?: string) =>
  settle(() => root.render(<One symbol={symbol} {...(beside ? { beside } : {})} />));

describe("asking an engine", () => {
  it("shows the answer, and asks what it knows no second time", async () => {
    await show("G");
    expect(text()).toBe("none of null old ");
    await settle(() => open.get("G")!.answer(total(7)));
    expect(text()).toBe("7 of G now ");
    await show("C");
    await settle(() => open.get("C")!.answer(total(9)));
    await show("G");
    expect([text(), begun]).toEqual(["7 of G now ", ["G", "C"]]);
  });

  it("keeps the last answer, marked, while another is worked out, and tells how far that is", async () => {
    await show("G");
    await settle(() => open.get("G")!.answer(total(7)));
    await show("C");
    await settle(() => open.get("C")!.tell(1, 4));
    expect(text()).toBe("7 of G old 0.25");
    await settle(() => open.get("C")!.answer(total(9)));
    expect(text()).toBe("9 of C now ");
  });

  it("ends the search of a question that is overtaken, and never shows its answer", async () => {
    await show("G");
    const overtaken = open.get("G")!;
    await show("C");
    expect(overtaken.signal!.aborted).toBe(true);
    await settle(() => overtaken.answer(total(1)));
    await settle(() => open.get("C")!.answer(total(9)));
    expect(text()).toBe("9 of C now ");
  });

  it("tells an error, and another try mends it", async () => {
    await show("G");
    await settle(() => open.get("G")!.refuse(new Error("too large")));
    expect(text()).toBe("none of null old too large");
    await settle(() => last.retry());
    await settle(() => open.get("G")!.answer(total(7)));
    expect([text(), begun]).toEqual(["7 of G now ", ["G", "G"]]);
  });

  it("does not remember an error for good: who asks again has it tried again", async () => {
    await show("G");
    await settle(() => open.get("G")!.refuse(new Error("too large")));
    await show(null);
    expect(text()).toBe("none of null now ");
    await show("G");
    expect(begun).toEqual(["G", "G"]);
    await settle(() => open.get("G")!.answer(total(7)));
    expect(text()).toBe("7 of G now ");
  });

  it("asks once more by itself when the worker died", async () => {
    await show("G");
    await settle(() => open.get("G")!.refuse(new ThreadDied(new Error("gone"))));
    expect([text(), begun]).toEqual(["none of null old ", ["G", "G"]]);
    await settle(() => open.get("G")!.refuse(new ThreadDied(new Error("gone"))));
    expect([text(), begun]).toEqual(["none of null old gone", ["G", "G"]]);
  });

  it("keeps the last answer beside a reason why there is none now", async () => {
    await show("G");
    await settle(() => open.get("G")!.answer(total(7)));
    await show("C");
    await settle(() => open.get("C")!.answer(fail("no way")));
    expect(text()).toBe("7 of G now refused");
  });

  it("ends a search at a word, and begins it again", async () => {
    await show("G");
    await settle(() => last.cancel());
    expect([open.get("G")!.signal!.aborted, last.isWorking]).toEqual([true, false]);
    await settle(() => last.retry());
    await settle(() => open.get("G")!.answer(total(7)));
    expect(text()).toBe("7 of G now ");
  });

  it("gives the answer with what stands beside the question now, where it asks the same", async () => {
    await show("G", "song");
    await settle(() => open.get("G")!.answer(total(7)));
    await show("G", "new song");
    expect([text(), begun]).toEqual(["7 of new song now ", ["G"]]);
  });
});

describe("asking for several at once", () => {
  let all: ReturnType<typeof useEngines<"fingerings">>;
  function All({ symbols }: { symbols: Readonly<Record<string, string>> }) {
    all = useEngines(
      "fingerings",
      new Map(Object.entries(symbols).map(([id, symbol]) => [id, question(symbol)!])),
    );
    return null;
  }
  const ask = (symbols: Record<string, string>) => settle(() => root.render(<All symbols={symbols} />));
  const totals = () => [...all.data].map(([id, { total: count }]) => `${id} ${count}`);

  it("asks like questions once, and gives the same map until something is new", async () => {
    await ask({ ann: "G", ben: "G", cy: "C" });
    expect(begun).toEqual(["G", "C"]);
    await settle(() => open.get("G")!.answer(total(7)));
    expect([totals(), all.isOld]).toEqual([["ann 7", "ben 7"], true]);
    await settle(() => open.get("C")!.answer(total(9)));
    const { data } = all;
    await ask({ ann: "G", ben: "G", cy: "C" });
    expect([all.data === data, all.isOld]).toEqual([true, false]);
  });

  it("keeps the last answer of one while it is asked anew, and lets the others stand", async () => {
    await ask({ ann: "G", cy: "C" });
    await settle(() => open.get("G")!.answer(total(7)));
    await settle(() => open.get("C")!.answer(total(9)));
    await ask({ ann: "D", cy: "C" });
    expect([totals(), all.isOld]).toEqual([["ann 7", "cy 9"], true]);
    await settle(() => open.get("D")!.refuse(new Error("too large")));
    expect(all.error?.message).toBe("too large");
    await settle(() => all.retry());
    await settle(() => open.get("D")!.answer(total(5)));
    expect([totals(), all.isOld, all.error]).toEqual([["ann 5", "cy 9"], false, null]);
  });
});
