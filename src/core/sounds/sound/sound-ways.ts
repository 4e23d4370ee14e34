import { byOrder } from "../../../document";
import { groupsOfWays, type Way, type WaysOf } from "../../evidence";
import { batch, set, type VersionCommand } from "../../song/edit";
import { EFFECT_IDS, type Sound, type VersionBody } from "../../song/schema";
import { differencesOf } from "./ledger";
import { isOn, PLAIN_SETTINGS, settingsOf } from "./resolve";

/**
 * Sounds that there are several ways of: how many effects are on, and how much of the recorded one's settings is kept
 * (of those that one of the two sets at all).
 */
export const soundWays = (body: Pick<VersionBody, "sounds" | "cells">): readonly WaysOf<Sound>[] =>
  groupsOfWays(body.sounds).map((group) => {
    const recorded = group.find(({ variant }) => variant === "recorded") ?? group.toSorted(byOrder)[0]!;
    const original = settingsOf(body.sounds, recorded);
    const said = differencesOf(PLAIN_SETTINGS, original).map(({ key }) => key);
    const names = new Set(group.map(({ name }) => name));
    return {
      ways: group.map((row): Way<Sound> => {
        const settings = settingsOf(body.sounds, row);
        const own = differencesOf(PLAIN_SETTINGS, settings).map(({ key }) => key);
        const either = new Set([...said, ...own]);
        const apart = differencesOf(original, settings).length;
        return {
          row,
          variant: row.variant,
          work: EFFECT_IDS.filter((id) => isOn(settings, id)).length,
          faithfulness: either.size === 0 ? 1 : 1 - apart / either.size,
        };
      }),
      cells: Object.values(body.cells).filter(
        ({ sound, playerId }) => sound !== null && names.has(sound) && playerId === group[0]!.playerId,
      ),
    };
  });

/** Sets one way of a sound wherever one of its ways is set. */
export const setSoundWay = (ways: WaysOf<Sound>, name: string): VersionCommand =>
  batch(
    "Play with another sound",
    ways.cells.map(({ id }) => set("cells", id, { sound: name })),
  );
