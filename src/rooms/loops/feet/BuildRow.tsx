import { useSortable } from "@dnd-kit/sortable";
import { CSS } from "@dnd-kit/utilities";
import { GripVertical } from "lucide-react";
import { capital } from "@/base";
import type { BuildStep } from "@/core/loops";
import { keyAct } from "@/ui/keys";

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
  const { attributes, listeners, setNodeRef, transform, transition, isDragging } = useSortable({ id });
  return (
    <li
      ref={setNodeRef}
      style={{ transform: CSS.Translate.toString(transform), transition }}
      className={`grid grid-cols-[auto_1.5rem_minmax(12rem,1fr)_2fr] gap-x-3 border-t border-base-300 py-2 max-sm:grid-cols-[auto_1.5rem_1fr] ${isDragging ? "relative z-10 bg-base-200 shadow-lg" : ""}`}
    >
      <button
        type="button"
        className="cursor-grab touch-none self-start pt-1"
        aria-label={`Move ${layers}; Alt and the arrows move it by one`}
        {...attributes}
        {...listeners}
        onKeyDown={(event) => {
          const pressed = keyAct("build", event);
          if (pressed) {
            event.preventDefault();
            onMove(pressed === "earlier" ? -1 : 1);
          }
          listeners?.onKeyDown?.(event);
        }}
      >
        <GripVertical size={18} aria-hidden="true" />
      </button>
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
