import { readdirSync, readFileSync } from "node:fs";
import path from "node:path";
import { describe, expect, it } from "vitest";
import { type Definition, liftBody, type Stored } from "../../../document";
import { DOCUMENTS, type Kind, SCHEMA } from "./documents";

const FOLDER = path.join(import.meta.dirname, "fixtures");

/** One stored body a kind and form, kept for good: a form once written must always be read. */
const fixtures = readdirSync(FOLDER).map((file) => {
  const [kind, form] = file.replace(/\.json$/u, "").split("-");
  return {
    file,
    kind: kind as Kind,
    form: Number(form),
    stored: JSON.parse(readFileSync(path.join(FOLDER, file), "utf8")) as Stored,
  };
});

describe("stored bodies", () => {
  it("have a fixture for each kind in each form so far", () => {
    const kinds = ["band", "evening", "song", "version"];
    for (let form = 1; form <= SCHEMA; form++) {
      expect(
        fixtures
          .filter((one) => one.form === form)
          .map((one) => one.kind)
          .sort(),
      ).toEqual(kinds);
    }
  });

  it.each(fixtures)("are read from $file", ({ kind, stored, form }) => {
    expect(stored.schema).toBe(form);
    const lifted = liftBody(DOCUMENTS[kind] as Definition, stored);
    expect(lifted.ok).toBe(true);
    if (lifted.ok && form === SCHEMA) expect(lifted.value).toEqual(stored.body);
  });

  it.each([0, SCHEMA + 1, 1.5])("of form %s are refused", (schema) => {
    expect(liftBody(DOCUMENTS.version, { schema, body: {} })).toMatchObject({
      ok: false,
      problem: { field: "schema" },
    });
  });
});
