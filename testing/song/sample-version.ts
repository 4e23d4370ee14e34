import { DOCUMENTS, type VersionBody } from "../../src/core/song/schema";
import { PLAIN_HAND, type Player } from "../../src/core/song/schema/players";
import { PLAIN_USE, type PlacedChord } from "../../src/core/song/schema/sections";
import { bodyMaker, ordersFor } from "../../src/document";

/** A version for tests: sections as lines of "word/Chord:beats" items, and a form by section name. */
export function sampleVersion(
  sections: Record<string, { lines: string[]; pickup?: number }>,
  form: string[],
  players: Partial<Player>[] = [],
): VersionBody {
  const { put, body } = bodyMaker(DOCUMENTS.version);
  put("version", {
    id: "v",
    name: "Test",
    writtenKey: "G",
    key: "G",
    keySure: true,
    bpm: 60,
    beatUnit: "1/4",
    meterBeats: 4,
    meterUnit: 4,
    writtenCapo: 0,
  });
  const sectionOrders = ordersFor(Object.keys(sections).length);
  for (const [index, [id, { lines, pickup = 0 }]] of Object.entries(sections).entries()) {
    put("sections", {
      id,
      originId: null,
      order: sectionOrders[index]!,
      label: id,
      kind: "verse",
      pickup: pickup * 960,
      energy: null,
      bass: null,
      melodyRange: null,
    });
    const lineOrders = ordersFor(lines.length);
    for (const [at, text] of lines.entries()) {
      const lineId = `${id}-l${at}`;
      put("lines", { id: lineId, originId: null, sectionId: id, exceptionId: null, order: lineOrders[at]! });
      const items = text.split(" ").filter((item) => item !== "");
      const orders = ordersFor(items.length);
      for (const [place, item] of items.entries()) {
        const [word, rest] = item.split("/", 2);
        const wordId = `${lineId}-w${place}`;
        if (word) put("words", { id: wordId, originId: null, lineId, order: orders[place]!, text: word });
        if (!rest) continue;
        const [symbol, beats] = rest.split(":");
        const chord: PlacedChord = {
          id: `${lineId}-c${place}`,
          originId: null,
          lineId,
          order: orders[place]!,
          symbol: symbol!.replace("|", "/"),
          ticks: Number(beats) * 960,
          wordId: word ? wordId : null,
          offset: 0,
          sourceId: null,
          sure: true,
          guessed: false,
        };
        put("chords", chord);
      }
    }
  }
  const useOrders = ordersFor(form.length);
  for (const [index, item] of form.entries()) {
    const [sectionId, repeat] = item.split("x");
    put("uses", {
      id: `u${index}`,
      originId: null,
      sectionId: sectionId!,
      order: useOrders[index]!,
      repeat: Number(repeat ?? 1),
      ...PLAIN_USE,
    });
  }
  const playerOrders = ordersFor(players.length);
  for (const [index, player] of players.entries()) {
    const standard: Omit<Player, "id" | "order"> = {
      bandPlayerId: null,
      name: `P${index}`,
      instrument: "guitar",
      tuning: ["E2", "A2", "D3", "G3", "B3", "E4"],
      capo: 0,
      level: "fluent",
      sings: false,
      range: null,
      light: 2,
      role: "support",
      ...PLAIN_HAND,
    };
    put("players", { id: `p${index}`, order: playerOrders[index]!, ...standard, ...player });
  }
  return body;
}
