import { z } from "zod";
import { ok } from "@/base";
import {
  ARCS,
  ARRANGE_SCHOOLS,
  ARRANGE_WEIGHTS,
  type ArrangeCase,
  type Arrangement,
  type ArrangeSchool,
  type ArrangeUse,
  arrange as arrangeSong,
  IDEAS,
  ideaOf,
  isIdea,
  LIMIT_RULES,
  type Limit,
  tellArrangement,
  tellCell,
} from "@/core/parts";
import { formatPitch } from "@/core/pitch";
import { beatsOfBar, beatUnitOf } from "@/core/rhythm";
import { SECTION_KINDS } from "@/core/song/schema";
import { playerFields, readPlayer, readSection, sectionFields, tempoField, weightField } from "./band-fields";
import { engine, FieldError } from "./engine";
import { fields, readKey, refuseRepeats } from "./fields";
import { meterField, readMeterAt } from "./meter-field";

const use = z.object({
  ...sectionFields,
  section: fields.id,
  kind: z.enum(SECTION_KINDS, { error: `should be one of ${SECTION_KINDS.join(", ")}` }),
});

const player = z.object({
  ...playerFields,
  away: fields.flag.default(false),
  /** What the player has at their feet; of it `sounds` counts, how many are at hand. Anything else may stand there. */
  gear: z.unknown().optional(),
});

const limit = z.object({
  player: fields.id.nullish(),
  use: fields.id.nullish(),
  rule: z.enum(LIMIT_RULES, { error: `should be one of ${LIMIT_RULES.join(", ")}` }),
  value: z
    .union([z.string(), z.number(), z.boolean()], {
      error: "should be an idea, a use, a bar, a light or a number of players",
    })
    .nullish(),
});

const input = z.object({
  tempo: tempoField,
  meter: meterField,
  key: z.string({ error: 'should be a key such as "A" or "F#m"' }),
  uses: z
    .array(use, { error: "should be a list of uses" })
    .min(1, { error: "should have at least one use" })
    .max(200, { error: "should have at most 200 uses" }),
  players: z
    .array(player, { error: "should be a list of players" })
    .min(1, { error: "should have at least one player" })
    .max(8, { error: "should have at most 8 players" }),
  schools: z
    .array(z.enum(ARRANGE_SCHOOLS, { error: `should be one of ${ARRANGE_SCHOOLS.join(", ")}` }), {
      error: "should be a list of schools",
    })
    .min(1, { error: "should name at least one school" })
    .optional(),
  weights: z
    .partialRecord(
      z.enum(Object.keys(ARRANGE_WEIGHTS) as (keyof typeof ARRANGE_WEIGHTS)[], {
        error: `should be one of ${Object.keys(ARRANGE_WEIGHTS).join(", ")}`,
      }),
      weightField,
    )
    .default({}),
  limits: z
    .array(limit, { error: "should be a list of limits" })
    .max(500, { error: "should have at most 500 limits" })
    .default([]),
  ideas: z.array(z.string({ error: "should be an idea" }), { error: "should be a list of ideas" }).optional(),
  arc: z.enum(ARCS, { error: `should be one of ${ARCS.join(", ")}` }).default("rising"),
});

type Input = z.output<typeof input>;
type Question = { readonly asked: ArrangeCase; readonly schools: readonly ArrangeSchool[] | null };

/** Every idea there is, for whoever reads the cells. */
const CATALOGUE = IDEAS.map(
  ({ id, instrument, technique, needs, singable, words, roles, figure, full, frees }) => ({
    idea: id,
    instrument,
    technique,
    needs,
    singable,
    words,
    roles,
    figure,
    full,
    frees,
  }),
);

export const arrange = engine({
  name: "arrange",
  summary:
    "Arranges a song for its players: ideas for each in each use, several proposals, with what counts against them.",
  steps: null,
  input,
  read: (given): Question => {
    const meter = readMeterAt(given.meter, ["meter"]);
    readKey(given.key, ["key"]);
    for (const list of ["uses", "players"] as const)
      refuseRepeats(
        given[list].map(({ id }) => id),
        (index) => [list, index, "id"],
      );
    for (const [index, idea] of (given.ideas ?? []).entries())
      if (!isIdea(idea)) throw new FieldError(["ideas", index], unknownIdea(idea));
    const inBar = beatsOfBar(meter, beatUnitOf(meter));
    const uses = given.uses.map(
      (one, index): ArrangeUse => ({
        ...readSection(one, ["uses", index], inBar),
        section: one.section,
        kind: one.kind,
      }),
    );
    return {
      asked: {
        meter,
        uses,
        players: given.players.map((one, index) => ({
          ...readPlayer(one, ["players", index]),
          away: one.away,
          sounds: soundsOf(one.gear),
        })),
        arc: given.arc,
        weights: { ...ARRANGE_WEIGHTS, ...given.weights },
        limits: given.limits.map((one, index) => readLimit(given, one, index)),
        tastes: [],
        ideas: given.ideas ?? null,
      },
      schools: given.schools ? [...new Set(given.schools)] : null,
    };
  },
  compute: ({ asked, schools }, { onProgress }) => {
    const soFar: Arrangement[] = [];
    return ok(
      arrangeSong(asked, schools, {
        hear: (found, of) => {
          soFar.push(found);
          onProgress?.(soFar.length, of, [...soFar]);
        },
      }),
    );
  },
  tell: (proposals, _, { asked }) => ({
    proposals: proposals.map((one) => tellProposal(asked, one)),
    weights: asked.weights,
    catalogue: CATALOGUE,
  }),
});

function tellProposal(asked: ArrangeCase, proposal: Arrangement): unknown {
  const { cells, ...rest } = proposal;
  const words = tellArrangement(asked, proposal, {
    player: (who) => asked.players[who]!.id,
    use: (at) => asked.uses[at]!.id,
  });
  return {
    ...rest,
    words,
    cells: cells.flatMap((row, at) =>
      row.map(({ low, high, pattern, over, ...cell }, who) => ({
        use: asked.uses[at]!.id,
        player: asked.players[who]!.id,
        ...cell,
        ...(over ? { over: over.idea } : {}),
        pattern: pattern && tellPattern(pattern),
        low: low === null ? null : formatPitch(low),
        high: high === null ? null : formatPitch(high),
        why: tellCell(asked, cells, at, who),
      })),
    ),
  };
}

/** A pattern as the engine `strum` takes it. */
const tellPattern = ({
  text,
  onsets: _,
  ...rest
}: NonNullable<Arrangement["cells"][number][number]["pattern"]>) => ({ ...rest, pattern: text });

/** How many sounds a player has at hand; null where that is not told. */
function soundsOf(gear: unknown): number | null {
  const told = typeof gear === "object" && gear !== null && "sounds" in gear ? gear.sounds : null;
  return typeof told === "number" && Number.isInteger(told) && told >= 1 ? told : null;
}

const unknownIdea = (idea: string): string =>
  `should be an idea of the catalogue, not ${JSON.stringify(idea.slice(0, 40))}`;

/** A limit with its places worked out: a use by its id, a section's every use, or all of a kind. */
function readLimit(given: Input, one: Input["limits"][number], index: number): Limit {
  const { rule, value } = one;
  const place = ["limits", index] as const;
  const player = one.player == null ? null : given.players.findIndex(({ id }) => id === one.player);
  if (player === -1)
    throw new FieldError([...place, "player"], `should be a player, not ${JSON.stringify(one.player)}`);
  const named = one.use == null ? null : usesOf(given, one.use);
  if (named?.length === 0)
    throw new FieldError(
      [...place, "use"],
      `should be a use, a section or a kind, not ${JSON.stringify(one.use)}`,
    );
  const text = typeof value === "string" ? value : null;
  const told = text !== null && named === null && rule !== "lock" ? usesOf(given, text) : null;
  const isPlace = told !== null && told.length > 0;
  const uses = isPlace ? told : named;
  const idea = isPlace ? null : text;
  if (idea !== null && !isIdea(idea)) throw new FieldError([...place, "value"], unknownIdea(idea));
  if (rule === "lock" && idea === null)
    throw new FieldError([...place, "value"], "should be the idea to hold");
  const number = typeof value === "number" ? value : null;
  if (rule === "at most" && (number === null || number < 0))
    throw new FieldError([...place, "value"], "should be a light from 0 to 4, or how many may play");
  if (rule === "not before" && number !== null && !(Number.isInteger(number) && number >= 1))
    throw new FieldError([...place, "value"], "should be a bar, counted from 1");
  const words = [one.player ?? "all", rule, idea ?? number ?? "", one.use ?? (isPlace ? (text ?? "") : "")]
    .filter((word) => word !== "")
    .join(" ");
  return {
    rule,
    player,
    uses,
    idea,
    instrument: idea === null ? null : (ideaOf(idea)?.instrument ?? null),
    number,
    ...(rule === "at most" && player === null && number !== null ? { players: number } : {}),
    words,
  };
}

function usesOf({ uses }: Input, name: string): readonly number[] {
  const where = (is: (one: Input["uses"][number]) => boolean) =>
    uses.flatMap((one, at) => (is(one) ? [at] : []));
  const byId = where(({ id }) => id === name);
  if (byId.length > 0) return byId;
  const bySection = where(({ section }) => section === name);
  return bySection.length > 0 ? bySection : where(({ kind }) => kind === name);
}
