// @vitest-environment happy-dom
import "fake-indexeddb/auto";
import { act, type ReactNode } from "react";
import { createRoot, type Root } from "react-dom/client";
import { afterEach, beforeEach, describe, expect, it, vi } from "vitest";
import { set } from "@/core/song/edit";
import { DOCUMENTS } from "@/core/song/schema";
import { bodyMaker } from "@/document";
import { sampleVersion } from "../../../testing/song/sample-version";
import { derive } from "./derived";
import {
  OpenSongProvider,
  useCurrentVersion,
  useDerived,
  useDerivedLater,
  useOpenSong,
  useRows,
  useRowsLater,
} from "./open-song";

const version = sampleVersion(
  { verse: { lines: ["Light/G:4 on/C:4"] }, chorus: { lines: ["Go/Em:8"] } },
  ["verse", "chorus"],
  [{ name: "Ann" }],
);
const songMaker = bodyMaker(DOCUMENTS.song);
const row = { by: "", composer: "", copyright: "", tags: [], rehearsed: null, archived: false };
songMaker.put("song", { ...row, id: "s", title: "Ferry" });

let root: Root;
let open: ReturnType<typeof useOpenSong>;
beforeEach(() => {
  vi.stubGlobal("IS_REACT_ACT_ENVIRONMENT", true);
  vi.stubGlobal("fetch", () => Promise.reject(new TypeError("no network")));
  vi.stubGlobal(
    "EventSource",
    class {
      close() {}
    },
  );
  document.body.innerHTML = "<main></main>";
  root = createRoot(document.querySelector("main")!);
});
afterEach(() => act(async () => root.unmount()));

function Opened({ children }: { children: ReactNode }) {
  open = useOpenSong();
  return children;
}
const show = (children: ReactNode) =>
  act(async () =>
    root.render(
      <OpenSongProvider
        version={{ id: "V", revision: 0, body: version }}
        song={{ id: "S", revision: 0, body: songMaker.body }}
        band={null}
      >
        <Opened>{children}</Opened>
      </OpenSongProvider>,
    ),
  );
const edit = (command: Parameters<typeof open.version.act>[0]) =>
  act(async () => void open.version.act(command));
const afterPaint = () => act(async () => new Promise((resolve) => setTimeout(resolve, 80)));

/** Counts how often it is drawn. */
function counter<Value>(use: () => Value) {
  const drawn: Value[] = [];
  function Counted() {
    drawn.push(use());
    return null;
  }
  return { drawn, element: <Counted /> };
}

describe("what a component reads of the version", () => {
  it("rows: it is drawn anew when one of its tables changes, and not when another does", async () => {
    const players = counter(() => useRows("players"));
    await show(players.element);
    const before = players.drawn.length;
    await edit(set("chords", "verse-l0-c0", { symbol: "D" }));
    expect(players.drawn.length).toBe(before);
    await edit(set("players", "p0", { capo: 2 }));
    expect(players.drawn.length).toBe(before + 1);
    expect(players.drawn.at(-1)!.players.p0!.capo).toBe(2);
  });

  it("something derived: it is drawn anew only when that has become another", async () => {
    const outline = counter(() => useDerived(derive.outline));
    const plan = counter(() => useDerived((body) => derive.planOf(body, body.players.p0!)));
    await show(
      <>
        {outline.element}
        {plan.element}
      </>,
    );
    const [outlines, plans] = [outline.drawn.length, plan.drawn.length];
    await edit(set("players", "p0", { name: "Bo" }));
    expect(outline.drawn.length).toBe(outlines);
    await edit(set("words", "verse-l0-w0", { text: "Night" }));
    expect(outline.drawn.length).toBe(outlines + 1);
    expect(outline.drawn.at(-1)!.byId.get("verse")!.lines[0]!.text).toBe("Night on");
    expect(plan.drawn.length).toBe(plans);
  });

  it("later: what may wait follows after the paint, and both bodies keep what was derived of them", async () => {
    const now = counter(() => useDerived(derive.sheet));
    const later = counter(() => useDerivedLater(derive.sheet));
    const rows = counter(() => useRowsLater("players"));
    await show(
      <>
        {now.element}
        {later.element}
        {rows.element}
      </>,
    );
    await afterPaint();
    const first = later.drawn.at(-1);
    for (const light of [1, 3, 0, 4]) {
      await edit(set("players", "p0", { light }));
      await afterPaint();
    }
    expect(now.drawn.at(-1)).toBe(later.drawn.at(-1));
    expect(later.drawn.at(-1)).not.toBe(first);
    expect(rows.drawn.at(-1)!.players.p0!.light).toBe(4);
    // Not once for each look at another body: that would never end.
    expect(now.drawn.length).toBeLessThan(20);
  });

  it("the current version is asked for at the moment of an act, and draws nothing", async () => {
    const asked = counter(() => useCurrentVersion());
    await show(asked.element);
    const before = asked.drawn.length;
    await edit(set("version", "v", { bpm: 99 }));
    expect(asked.drawn.length).toBe(before);
    expect(asked.drawn[0]!().version.v!.bpm).toBe(99);
  });
});
