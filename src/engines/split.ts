import { z } from "zod";
import { ok } from "@/base";
import { SCHOOLS, SPLIT_WEIGHTS, type SplitCase, splitBy } from "@/core/parts";
import { formatPitch } from "@/core/pitch";
import { beatsOfBar, beatUnitOf } from "@/core/rhythm";
import { TECHNIQUES } from "@/core/song/read";
import {
  playerFields,
  readPlayer,
  readSection,
  sectionFields,
  tempoField,
  weightField as weight,
} from "./band-fields";
import { engine } from "./engine";
import { refuseRepeats } from "./fields";
import { meterField, readMeterAt } from "./meter-field";

const input = z.object({
  tempo: tempoField,
  meter: meterField,
  sections: z
    .array(z.object(sectionFields), { error: "should be a list of sections" })
    .min(1, { error: "should have at least one section" })
    .max(200, { error: "should have at most 200 sections" }),
  players: z
    .array(z.object(playerFields), { error: "should be a list of players" })
    .min(1, { error: "should have at least one player" })
    .max(8, { error: "should have at most 8 players" }),
  weights: z
    .object({
      register: weight.default(SPLIT_WEIGHTS.register),
      rhythm: weight.default(SPLIT_WEIGHTS.rhythm),
      bass: weight.default(SPLIT_WEIGHTS.bass),
      voice: weight.default(SPLIT_WEIGHTS.voice),
      energy: weight.default(SPLIT_WEIGHTS.energy),
      change: weight.default(SPLIT_WEIGHTS.change),
      idle: weight.default(SPLIT_WEIGHTS.idle),
    })
    .prefault({}),
});

export const split = engine({
  name: "split",
  summary: "Splits a song between players: one proposal of each school, with what counts against it.",
  steps: null,
  input,
  read: ({ meter: metre, sections, players, weights }): SplitCase => {
    const meter = readMeterAt(metre, ["meter"]);
    refuseRepeats(
      sections.map(({ id }) => id),
      (index) => ["sections", index, "id"],
    );
    refuseRepeats(
      players.map(({ id }) => id),
      (index) => ["players", index, "id"],
    );
    const inBar = beatsOfBar(meter, beatUnitOf(meter));
    return {
      meter,
      sections: sections.map((one, index) => readSection(one, ["sections", index], inBar)),
      players: players.map((one, index) => readPlayer(one, ["players", index])),
      weights,
      anyRole: true,
    };
  },
  compute: (asked, { onProgress }) =>
    ok(
      SCHOOLS.map((school, at) => {
        onProgress?.(at, SCHOOLS.length);
        return splitBy(asked, school);
      }),
    ),
  tell: (proposals, { weights }, { sections, players }) => ({
    proposals: proposals.map(({ cells, ...rest }) => ({
      ...rest,
      cells: cells.flatMap((row, at) =>
        row.map(({ low, high, ...cell }, who) => ({
          section: sections[at]!.id,
          player: players[who]!.id,
          ...cell,
          low: low === null ? null : formatPitch(low),
          high: high === null ? null : formatPitch(high),
        })),
      ),
    })),
    weights,
    techniques: TECHNIQUES,
  }),
});
