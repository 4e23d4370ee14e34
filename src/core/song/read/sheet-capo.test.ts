import { describe, expect, it } from "vitest";
import { readChordText, versionOfSheet } from "../../formats";
import { sheetCapo } from "./sheet-capo";

const capoOf = (head: string): number => {
  let count = 0;
  const sheet = readChordText(`${head}\n\n[Verse]\nG C D G\nla la la la`);
  return sheetCapo(versionOfSheet(sheet, { name: "T", kind: "sheet" }, () => `c${count++}`));
};

describe("the capo a sheet names", () => {
  it.each([
    ["Key: Bb\nCapo: 3", 3],
    ["Key: G\nCapo: 3", 3],
    ["Capo: 5", 5],
    ["Key: G", 0],
  ])("%s", (head, capo) => expect(capoOf(head)).toBe(capo));
});
