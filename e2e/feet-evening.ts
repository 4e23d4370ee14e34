import { BOX_PROFILES, PLAIN_LAYER } from "../src/core/loops";
import { EMPTY_CELL } from "../src/core/song/schema";
import { SOUND_BOX_PROFILES } from "../src/core/sounds";
import { posterTo } from "./post";

/** Four sections of four bars at 150 a minute: long enough to press in, short enough to wait for. */
const SONG = `Feet Lamp
Key: G
Tempo: 150
Time: 4/4

[Verse]
G . . .      C . . .
Lantern on the gable
G . . .      D . . .
lantern on the wall

[Chorus]
C . . .      G . . .
Turn it up slowly
D . . .      G . . .
turn it for all

[Bridge]
Em . . .     C . . .
Under the harbour
G . . .      D . . .
under the sky
`;

const GUITAR = ["E2", "A2", "D3", "G3", "B3", "E4"];

/**
 * An evening of two songs. In the first Tobin has a box of two slots a bank, with another sound in each section, and Odile a
 * looper of two tracks of which one is wanted in the Chorus; Maren plays in the second alone.
 */
export async function makeFeetEvening(address: string): Promise<string> {
  const post = posterTo(address);
  const revisions = new Map<string, number>();
  const put = async (id: string, table: string, row: object) => {
    const base = revisions.get(id) ?? 0;
    revisions.set(id, base + 1);
    await post(`/api/documents/${id}/edits`, {
      editId: `${id}-${base}`.slice(0, 40),
      base,
      command: { type: "add", table, row },
    });
  };
  const player = (id: string, name: string, at: number) => ({
    id,
    name,
    instrument: "guitar",
    tuning: GUITAR,
    bandPlayerId: null,
    order: `V${at}`,
    capo: 0,
    level: "fluent",
    sings: false,
    loops: id === "odile",
    range: null,
    light: 2,
    role: "support",
  });
  const feet = await post("/api/songs", { text: SONG, title: "Feet Lamp" });
  const other = await post("/api/songs", { text: SONG, title: "Other Lamp" });
  const version = feet.versionId!;
  await put(version, "players", player("tobin", "Tobin", 1));
  await put(version, "players", player("odile", "Odile", 2));
  await put(other.versionId!, "players", player("maren", "Maren", 1));
  const read = (await (await fetch(`${address}/api/documents/${version}`)).json()) as {
    body: { uses: Record<string, { order: string }> };
  };
  const uses = Object.entries(read.body.uses)
    .sort(([, a], [, b]) => (a.order < b.order ? -1 : 1))
    .map(([id]) => id);
  for (const [at, name] of ["Plain", "Warm", "Wide"].entries()) {
    const sound = { id: `sound${at}`, originId: null, order: `V${at}`, playerId: "tobin", name };
    await put(version, "sounds", { ...sound, fromId: null, said: {}, note: "" });
    const cell = { ...EMPTY_CELL, id: `cell${at}`, useId: uses[at], playerId: "tobin", sound: name };
    await put(version, "cells", cell);
  }
  const soundBox = { ...SOUND_BOX_PROFILES[0], id: "box", order: "V", playerId: "tobin" };
  await put(version, "soundBoxes", { ...soundBox, slots: 2 });
  await put(version, "loopBoxes", { ...BOX_PROFILES[0], id: "looper", order: "V", playerId: "odile" });
  for (const [at, [name, wanted]] of (
    [
      ["Thump", [0, 1, 2]],
      ["Ring", [1]],
    ] as const
  ).entries()) {
    const layer = { ...PLAIN_LAYER, id: `layer${at}`, originId: null, order: `V${at}`, name, track: at };
    await put(version, "loopLayers", { ...layer, bars: 1 });
    for (const use of wanted)
      await put(version, "loopWants", {
        id: `want${at}${use}`,
        layerId: `layer${at}`,
        useId: uses[use],
        stretches: [{ from: 0, to: null, want: "on" }],
      });
  }
  const { id: evening } = await post("/api/evenings", { name: "Feet Night" });
  const plain = { title: "", minutes: 0, note: "", place: null, beforeId: null, kind: "song" };
  for (const [at, { songId, versionId }] of [feet, other].entries())
    await put(evening!, "items", { ...plain, songId, versionId, id: `item${at}`, order: `V${at + 1}` });
  return evening!;
}
