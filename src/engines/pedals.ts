import { z } from "zod";
import { planPedals } from "@/core/sounds";
import { FieldError, plainEngine } from "./engine";
import { fields, refuseRepeats } from "./fields";

const input = z.object({
  pedals: z
    .array(fields.id, { error: 'should be a list of pedals such as ["drive", "delay"]' })
    .max(100, { error: "should have at most 100 pedals" }),
  sections: z
    .array(
      z.object({ id: fields.id, on: z.array(fields.id, { error: "should be the pedals that are on" }) }),
      {
        error: "should be a list of sections",
      },
    )
    .max(2000, { error: "should have at most 2000 sections" }),
});

export const pedals = plainEngine({
  name: "pedals",
  summary: "Counts the presses on single pedals without memory, and says where there are too many at once.",
  input,
  compute: ({ pedals: all, sections }) => {
    refuseRepeats(all, (index) => ["pedals", index]);
    refuseRepeats(
      sections.map(({ id }) => id),
      (index) => ["sections", index, "id"],
    );
    const known = new Set(all);
    for (const [at, { on }] of sections.entries()) {
      refuseRepeats(on, (index) => ["sections", at, "on", index]);
      for (const [index, id] of on.entries())
        if (!known.has(id))
          throw new FieldError(
            ["sections", at, "on", index],
            `should be one of the pedals, not ${JSON.stringify(id)}`,
          );
    }
    return planPedals(all, sections);
  },
});
