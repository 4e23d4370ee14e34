import { ok } from "@/base";
import { bandSheet, type TakenCells } from "@/core/parts";
import { type HeardSong, heardBand } from "@/core/practice";
import type { VersionBody } from "@/core/song/schema";
import { passagesOf } from "@/core/stage";
import { roomEngine } from "../engine";
import { withCells } from "./with-cells";

type HearCellsQuestion = {
  readonly body: VersionBody;
  /** Cells of a proposal by use and player, in the order of the sheet; where there is none the song sounds as it is. */
  readonly cells: TakenCells["cells"];
};

/** What everybody would sound with a proposal taken over. */
export const hearCells = roomEngine({
  name: "hear-cells",
  steps: null,
  compute: ({ body, cells }: HearCellsQuestion) => {
    const taken = withCells(body, bandSheet(body), cells) ?? body;
    return ok<Pick<HeardSong, "passages" | "parts">>({
      passages: passagesOf(taken),
      parts: heardBand(taken),
    });
  },
});
