import { ok } from "@/base";
import { type ArrangeCase, type Arrangement, type OtherIdea, otherIdeas } from "@/core/parts";
import { roomEngine } from "../engine";

export type OtherIdeasQuestion = {
  readonly asked: ArrangeCase;
  readonly arrangement: Pick<Arrangement, "school" | "cells">;
  /** Places in the form and in the list of players. */
  readonly at: number;
  readonly who: number;
};

/** The next best ideas for one cell of an arrangement, with what they change in the song. */
export const otherIdeasEngine = roomEngine({
  name: "other-ideas",
  steps: null,
  compute: ({ asked, arrangement: { school, cells }, at, who }: OtherIdeasQuestion) =>
    ok<readonly OtherIdea[]>(otherIdeas(asked, school, cells, at, who)),
});
