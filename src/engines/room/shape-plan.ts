import { ok } from "@/base";
import { type PlanRequest, planShapes, type ShapePlan } from "@/core/parts";
import { roomEngine } from "../engine";

/** The shapes of a player's song on the shortest way of the hand. */
export const shapePlan = roomEngine({
  name: "shape-plan",
  steps: null,
  compute: (request: PlanRequest) => ok<ShapePlan>(planShapes(request)),
});
