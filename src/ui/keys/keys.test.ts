import { describe, expect, it } from "vitest";
import { comboOf, isSingle, type KeyPress, readerOf, showKeys } from "./combo";
import { KEYS, PLACE_WORDS } from "./table";
import { STAGE_KEYS } from "./table-stage";

const actOf = readerOf(KEYS);

const press = (key: string, held: Partial<KeyPress> = {}): KeyPress => ({
  key,
  ctrlKey: false,
  metaKey: false,
  altKey: false,
  shiftKey: false,
  ...held,
});

describe("the table of keys", () => {
  it("gives each key of a place one act, and each place a name", () => {
    const seen = new Set<string>();
    for (const { place, keys, does } of KEYS) {
      expect(PLACE_WORDS[place]).toBeTruthy();
      expect(does).not.toMatch(/\.$/u);
      for (const key of keys) {
        expect(seen.has(`${place} ${key}`), `${place} ${key}`).toBe(false);
        seen.add(`${place} ${key}`);
      }
    }
    expect(Object.keys(PLACE_WORDS).toSorted()).toEqual(
      [...new Set(KEYS.map(({ place }) => place))].toSorted(),
    );
  });

  it("keeps what holds everywhere free of what a place does", () => {
    const everywhere: string[] = KEYS.filter(({ place }) => place === "everywhere").flatMap(({ keys }) => [
      ...keys,
    ]);
    for (const { place, keys } of KEYS)
      if (place !== "everywhere") for (const key of keys) expect(everywhere).not.toContain(key);
  });

  it("has on stage what the whole of it has there", () => {
    const onStage = readerOf(STAGE_KEYS);
    for (const place of ["everywhere", "stage", "leading"] as const) {
      const keys = KEYS.filter((row) => row.place === place).flatMap((row) => [...row.keys]);
      expect(keys.length).toBeGreaterThan(0);
      for (const key of keys.filter((one) => !one.includes("+")))
        expect(onStage(place, press(key === "Space" ? " " : key))).toBe(
          actOf(place, press(key === "Space" ? " " : key)),
        );
    }
  });

  it("is written as key presses are told", () => {
    for (const key of KEYS.flatMap(({ keys }) => [...keys])) {
      const parts = key === "+" ? ["+"] : key.split(/\+(?=.)/u);
      const held = {
        ctrlKey: parts.includes("Mod"),
        altKey: parts.includes("Alt"),
        shiftKey: parts.includes("Shift"),
      };
      const name = parts.at(-1)!;
      expect(comboOf(press(name === "Space" ? " " : name, held))).toBe(key);
    }
  });
});

describe("a key press", () => {
  it("does what its place says, and nothing elsewhere", () => {
    expect(actOf("sheet", press("c"))).toBe("carry");
    expect(actOf("sheet", press("c", { ctrlKey: true }))).toBe("copy");
    expect(actOf("sheet", press("c", { metaKey: true }))).toBe("copy");
    expect(actOf("sheet", press("c", { altKey: true }))).toBe(null);
    expect(actOf("ropes", press("c"))).toBe("off");
    expect(actOf("form", press("c"))).toBe(null);
    expect(actOf("everywhere", press("Z", { ctrlKey: true, shiftKey: true }))).toBe("redo");
    expect(actOf("sheet", press("ArrowUp", { shiftKey: true }))).toBe("more");
  });

  it("counts letters large and small alike, where the table does not tell them apart", () => {
    expect(actOf("sheet", press("C", { shiftKey: true }))).toBe("carry");
    expect([actOf("tapping", press("j")), actOf("tapping", press("J", { shiftKey: true }))]).toEqual([
      "down",
      "down-strong",
    ]);
  });

  it("of one sign alone can be turned off; held ones and named ones go on", () => {
    expect(actOf("sheet", press("c"), false)).toBe(null);
    expect(actOf("everywhere", press("?", { shiftKey: true }), false)).toBe(null);
    expect(actOf("sheet", press("c", { ctrlKey: true }), false)).toBe("copy");
    expect(actOf("sheet", press("Enter"), false)).toBe("open");
    expect([isSingle("?"), isSingle("Space"), isSingle("Mod+c")]).toEqual([true, false, false]);
  });

  it("is shown as people read it", () => {
    expect(["Mod+Shift+z", "Alt+ArrowUp", "?", "+", "PageDown"].map((one) => showKeys(one))).toEqual([
      "Ctrl Shift Z",
      "Alt ↑",
      "?",
      "+",
      "Page Down",
    ]);
    expect(showKeys("Mod+k", true)).toBe("⌘ K");
    expect([showKeys("j"), showKeys("J")]).toEqual(["J", "Shift J"]);
  });
});
