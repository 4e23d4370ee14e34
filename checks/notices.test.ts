import { existsSync, readFileSync } from "node:fs";
import { describe, expect, it } from "vitest";
import { MAY_SHIP, noticesOf } from "../scripts/lib/notices.mjs";

/** Licences by their names in the SPDX list, as npm's lock file gives them. */
const written = readFileSync("NOTICES.md", "utf8");
const { dependencies } = JSON.parse(readFileSync("package.json", "utf8")) as {
  dependencies: Record<string, string>;
};

describe("the notices", () => {
  it("are what the lock file says: `node scripts/notices.mjs` writes them anew", () => {
    expect(written).toBe(noticesOf());
  });

  it("name every package the program asks for, and the texts of its fonts are there", () => {
    for (const name of Object.keys(dependencies).filter((one) => !one.startsWith("@fontsource")))
      expect(written).toContain(`| ${name} | ${dependencies[name]}`);
    for (const [, file] of written.matchAll(/`(licences\/[^`]+)`/gu)) expect(existsSync(file!)).toBe(true);
  });

  it("ship nothing under a licence that is not known to be free to ship", () => {
    const licences = [...written.matchAll(/^\| [^|]+ \| [^|]+ \| ([^|;:,]+)/gmu)].map(([, found]) =>
      found!.trim(),
    );
    expect(licences.length).toBeGreaterThan(50);
    const odd = licences.filter(
      (one) => !MAY_SHIP.includes(one) && one !== "licence" && one !== "SIL Open Font License 1.1",
    );
    // node-forge offers two, and one is taken.
    expect(new Set(odd)).toEqual(new Set(["(BSD-3-Clause OR GPL-2.0)"]));
  });
});
