import { z } from "zod";
import { recordedTracks, recover as wayBack } from "@/core/loops";
import { MOST_BOX_TRACKS } from "@/core/song/schema";
import { FieldError, plainEngine } from "./engine";
import { fields } from "./fields";
import { loopsInput, MOST_LOOP_SECTIONS, readLoopCase } from "./loops";

const track = fields.whole("the index of a track", 0, MOST_BOX_TRACKS - 1);

const beats = (what: string) =>
  z
    .number({ error: `should be ${what}` })
    .min(0, { error: "should be 0 beats or more" })
    .max(100_000, { error: "should be at most 100000 beats" });

const input = z.object({
  case: loopsInput,
  plan: z.looseObject(
    {
      tracks: z
        .array(z.array(fields.id, { error: "should be a list of layers" }), {
          error: "should be a list of tracks",
        })
        .max(MOST_BOX_TRACKS),
      states: z
        .array(z.array(track, { error: "should be the tracks that sound" }), {
          error: "should be what sounds in each section",
        })
        .max(MOST_LOOP_SECTIONS),
    },
    { error: "should be a plan of the loops engine" },
  ),
  section: fields.id,
  sounding: z.array(track, { error: "should be the tracks that sound" }),
  at: z
    .object(
      {
        section: beats("the beats since the section began"),
        tracks: z
          .array(beats("the beats since the track’s loop began").nullable(), {
            error: "should be how far each track’s loop is, null where it does not go round",
          })
          .max(MOST_BOX_TRACKS, { error: `should have at most ${MOST_BOX_TRACKS} tracks` }),
      },
      { error: 'should be where everything is, such as { "section": 8, "tracks": [8, null] }' },
    )
    .optional(),
});

export const recover = plainEngine({
  name: "recover",
  summary:
    "Finds the fewest presses from a wrong state of a looper back to its plan, now or at the next boundary.",
  input,
  compute: ({ case: given, plan, section, sounding, at: where }) => {
    const asked = readLoopCase(given, ["case"]);
    const at = asked.sections.findIndex(({ id }) => id === section);
    if (at < 0)
      throw new FieldError(["section"], `should name a section of the case, not ${JSON.stringify(section)}`);
    if (plan.states.length !== asked.sections.length)
      throw new FieldError(
        ["plan", "states"],
        `should have one entry for each of the ${asked.sections.length} sections, not ${plan.states.length}`,
      );
    const recorded = recordedTracks(plan.tracks);
    const refuse = (tracks: readonly number[], path: readonly (string | number)[]) => {
      for (const [index, one] of tracks.entries())
        if ((recorded & (1 << one)) === 0)
          throw new FieldError(
            [...path, index],
            `should be a track of the plan that holds a layer, not ${one}`,
          );
    };
    refuse(sounding, ["sounding"]);
    for (const [index, state] of plan.states.entries()) refuse(state, ["plan", "states", index]);
    const length = asked.sections[at]!.bars * asked.beatsPerBar;
    if (where && where.section > length)
      throw new FieldError(
        ["at", "section"],
        `should be at most the ${length} beats of the section, not ${where.section}`,
      );
    return wayBack(asked, plan, at, sounding, where ?? null);
  },
});
