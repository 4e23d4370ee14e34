import { type MakeId, ordersFor } from "../../../document";
import type { EntranceSaid } from "../read/read-entrance";
import { type CellIndex, cellKey, type ResolvedCell, resolveCell } from "../read/resolve-cells";
import type { VersionBody } from "../schema/documents";
import type { Player } from "../schema/players";
import type { Use } from "../schema/sections";
import type { VersionCommand } from "./edits";
import { add, batch, remove } from "./makers";
import { setCells } from "./part-commands";

/** Says where a player comes in and leaves at one use, in place of what was said of it there. */
export function setEntrances(
  body: Pick<VersionBody, "entrances">,
  useId: string,
  playerId: string,
  said: readonly EntranceSaid[],
  makeId: MakeId,
): VersionCommand {
  const old = Object.values(body.entrances).filter((one) => one.useId === useId && one.playerId === playerId);
  const orders = ordersFor(said.length);
  return batch("Set who comes in when", [
    ...old.map((one) => remove("entrances", one)),
    ...said.map(({ kind, bars }, at) =>
      add("entrances", {
        id: makeId(),
        playerId,
        order: orders[at]!,
        kind,
        useId,
        bars: bars === null ? null : ([...bars] as NonNullable<(typeof body.entrances)[string]["bars"]>),
      }),
    ),
  ]);
}

/** Whether a part is silent only because the section's first use is. */
export const takesSilence = ({ role, light }: Pick<ResolvedCell, "role" | "light">): boolean =>
  (role.value === "out" && role.from === "first use") || (light.value === 0 && light.from === "first use");

/** The other uses of a section at which a player is silent because they are at its first. */
export function silencedWith(
  index: CellIndex,
  form: readonly Use[],
  use: Use,
  player: Player,
): readonly Use[] {
  if (index.firstUse.get(use.sectionId) !== use.id) return [];
  return form.filter(
    (other) =>
      other.sectionId === use.sectionId &&
      other.id !== use.id &&
      takesSilence(resolveCell(index, other, player)),
  );
}

/** Lets a player play as usual at uses where a silence is only taken over from the section's first. */
export const playAsUsual = (
  index: CellIndex,
  uses: readonly Use[],
  player: Player,
  makeId: MakeId,
): VersionCommand =>
  setCells(
    index,
    "Play as usual",
    uses.map((use) => {
      const cell = index.cells.get(cellKey(use.id, player.id));
      const usual = player.role === "out" ? "support" : player.role;
      const light = player.light === 0 ? 2 : player.light;
      return {
        useId: use.id,
        playerId: player.id,
        fields: { role: cell?.role ?? usual, light: cell?.light ?? light },
      };
    }),
    makeId,
  );
