import { capital } from "@/base";
import type { BuildStep } from "@/core/loops";
import { useSortableRow } from "@/ui/use-sortable-row";

/** A pass of the build, dragged or moved by keys to another place. */
export function BuildRow({
  id,
  step: { layers, track, bar, bars, over, feet },
  at,
  onMove,
}: {
  id: string;
  step: BuildStep;
  at: number;
  onMove: (by: number) => void;
}) {
  const { handle, setNodeRef, style, lifted } = useSortableRow(id, layers, "build", onMove);
  return (
    <li
      ref={setNodeRef}
      style={style}
      className={`grid grid-cols-[auto_1.5rem_minmax(12rem,1fr)_2fr] items-start gap-x-3 border-t border-base-300 py-2 max-sm:grid-cols-[auto_1.5rem_1fr] ${lifted}`}
    >
      {handle}
      <span className="font-mono text-lg">{at + 1}</span>
      <span>
        <strong>{layers}</strong>
        <span className="block text-sm">
          track {track + 1}
          {over ? ", on top" : ""}; {bars === 1 ? `bar ${bar}` : `bars ${bar} to ${bar + bars - 1}`}
        </span>
      </span>
      <span className="max-sm:col-start-3">
        {feet.map((line) => (
          <span key={line} className="block">
            {capital(line)}.
          </span>
        ))}
      </span>
    </li>
  );
}
