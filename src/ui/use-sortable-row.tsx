import { useSortable } from "@dnd-kit/sortable";
import { CSS } from "@dnd-kit/utilities";
import { GripVertical } from "lucide-react";
import { keyAct } from "./keys";

/**
 * A row of a `SortableList` with its handle: dragged, or moved by one with Alt and the arrows.
 * @param name what is moved, for who hears the handle
 * @param place where its keys are listed
 * @param onMove moves it by so many places
 */
export function useSortableRow(
  id: string,
  name: string,
  place: "running order" | "build",
  onMove: (by: number) => void,
) {
  const { attributes, listeners, setNodeRef, transform, transition, isDragging } = useSortable({ id });
  const handle = (
    <button
      type="button"
      className="cursor-grab touch-none"
      aria-label={`Move ${name}; Alt and the arrows move it by one`}
      {...attributes}
      {...listeners}
      onKeyDown={(event) => {
        const pressed = keyAct(place, event);
        if (pressed) {
          event.preventDefault();
          onMove(pressed === "earlier" ? -1 : 1);
        }
        listeners?.onKeyDown?.(event);
      }}
    >
      <GripVertical size={18} aria-hidden="true" />
    </button>
  );
  return {
    handle,
    setNodeRef,
    style: { transform: CSS.Translate.toString(transform), transition },
    lifted: isDragging ? "relative z-10 bg-base-200 shadow-lg" : "",
  };
}
