import type { ArrangeUse, SheetRow } from "@/core/parts";
import { SectionTag } from "@/ui/SectionTag";
import { type HeardLater, HearPart } from "../../hear";

/** A section of a proposal: what it asks for, and an act that takes it. */
export function SectionOffer({
  row,
  use,
  heard,
  onTake,
}: {
  readonly row: SheetRow;
  readonly use: ArrangeUse;
  /** How the proposal sounds. */
  readonly heard: () => HeardLater;
  readonly onTake: () => void;
}) {
  return (
    <th scope="row" className="border-t border-base-300 py-2 pr-2 text-left align-top font-normal">
      <SectionTag label={row.label} kind={row.section.kind} />
      <span className="mt-1 block text-sm">
        {use.bars} bars, energy {use.energy}
        <button
          type="button"
          className="btn btn-xs mt-1 block"
          aria-label={`Take ${row.label} from all players`}
          onClick={onTake}
        >
          take
        </button>
        <span className="mt-1 block">
          <HearPart
            what={`${row.label} as proposed`}
            song={heard}
            useId={row.use.id}
            playerId={null}
            isKeyed={false}
            className="btn-xs"
          />
        </span>
      </span>
    </th>
  );
}
