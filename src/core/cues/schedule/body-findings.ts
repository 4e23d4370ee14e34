import { capital } from "../../../base";
import type { Finding, Fixing } from "../../findings";
import { describeList } from "../../fretboard";
import { type Moment, tellMoment } from "../../song/moments";
import type { BodyAct } from "./body-acts";
import { type BodyPartUsed, type BodyPlan, isLate } from "./body-plan";

/** Something one body can't do in time. What mends it is asked for apart: moving an act moves others. */
export type BodyFinding = Finding<
  {
    readonly kind: "too-late";
    readonly text: string;
    readonly moment: Moment;
    readonly takes: readonly BodyPartUsed[];
  },
  never
>;

export const BODY_FIXING: Fixing<never> = { code: () => null, join: (fix) => fix };

/** What of a person's acts comes too late even on the best plan, the soonest first. */
export function bodyFindings(playerId: string, acts: readonly BodyAct[], plan: BodyPlan): BodyFinding[] {
  const byId = new Map(acts.map((act) => [act.id, act]));
  return plan.acts.filter(isLate).flatMap(({ id }): BodyFinding[] => {
    const act = byId.get(id);
    if (!act) return [];
    const { text, takes, cue, label, moment, tick } = act;
    return [
      {
        kind: "too-late",
        id: `body ${playerId} ${cue?.id ?? tick} ${text}`,
        useId: cue?.useId ?? null,
        label: label === "" ? moment.label : label,
        playerIds: [playerId],
        text,
        moment,
        takes,
        fixes: [],
      },
    ];
  });
}

/** Parts of a body that are several. */
const SEVERAL: readonly BodyPartUsed[] = ["feet", "eyes"];

/** @example describeBodyFinding(finding) // => "Slot 2 comes too late, bar 3 of Chorus, beat 1, on “sea”: the feet are still busy." */
export function describeBodyFinding({ text, takes, moment }: BodyFinding): string {
  const [part] = takes;
  const are = takes.length > 1 || (part !== undefined && SEVERAL.includes(part)) ? "are" : "is";
  return `${capital(text)} comes too late, ${tellMoment(moment)}: ${describeList(takes.map((one) => `the ${one}`))} ${are} still busy.`;
}
