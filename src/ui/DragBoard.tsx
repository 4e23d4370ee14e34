"use client";

import {
  closestCenter,
  DndContext,
  type DragCancelEvent,
  type DragEndEvent,
  type DragOverEvent,
  type DragStartEvent,
  KeyboardSensor,
  PointerSensor,
  useDraggable,
  useDroppable,
  useSensor,
  useSensors,
} from "@dnd-kit/core";
import { GripVertical } from "lucide-react";
import { type ReactNode, useId } from "react";

type Ids = { readonly id: string | number };

/** A board on which things are dragged from place to place, by pointer or keys; a screen reader hears them by name. */
export function DragBoard({
  what,
  place,
  nameOf,
  placeOf,
  onDrop,
  children,
}: {
  /** "layer", "sound"; "track", "slot". */
  what: string;
  place: string;
  nameOf: (id: string) => string;
  placeOf: (id: string) => string;
  onDrop: (thing: string, place: string) => void;
  children: ReactNode;
}) {
  const id = useId();
  const sensors = useSensors(
    useSensor(PointerSensor, { activationConstraint: { distance: 4 } }),
    useSensor(KeyboardSensor),
  );
  const name = (one: Ids) => nameOf(String(one.id));
  const over = (one: Ids | null) => (one ? `over ${placeOf(String(one.id))}` : `over no ${place}`);
  const announcements = {
    onDragStart: ({ active }: DragStartEvent) => `${name(active)} is held.`,
    onDragOver: (event: DragOverEvent) => `${name(event.active)} is ${over(event.over)}.`,
    onDragEnd: (event: DragEndEvent) => `${name(event.active)} was let go ${over(event.over)}.`,
    onDragCancel: ({ active }: DragCancelEvent) => `${name(active)} stays where it was.`,
  };
  return (
    <DndContext
      id={id}
      sensors={sensors}
      collisionDetection={closestCenter}
      accessibility={{
        announcements,
        screenReaderInstructions: {
          draggable: `Space takes the ${what}, the arrows move it, Space lets it go on a ${place}, Escape leaves it.`,
        },
      }}
      onDragEnd={(event) => {
        if (event.over) onDrop(String(event.active.id), String(event.over.id));
      }}
    >
      {children}
    </DndContext>
  );
}

/** A place things are let go on. */
export function useDropPlace(id: string) {
  const { setNodeRef, isOver } = useDroppable({ id });
  return { setNodeRef, isOver };
}

/** The handle of a thing that is dragged, and what its box needs to follow the pointer. */
export function useDragged(id: string, label: string) {
  const { attributes, listeners, setNodeRef, transform, isDragging } = useDraggable({ id });
  const style = transform ? { transform: `translate(${transform.x}px, ${transform.y}px)` } : undefined;
  const handle = (
    <button
      type="button"
      className="cursor-grab touch-none"
      aria-label={label}
      {...listeners}
      {...attributes}
    >
      <GripVertical size={18} aria-hidden="true" />
    </button>
  );
  return { setNodeRef, style, isDragging, handle };
}
