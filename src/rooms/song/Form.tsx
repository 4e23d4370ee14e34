"use client";

import { useSortable } from "@dnd-kit/sortable";
import { CSS } from "@dnd-kit/utilities";
import { GripVertical, X } from "lucide-react";
import { type KeyboardEvent, memo } from "react";
import { addUse, moveBefore, removeUse, set } from "@/core/song/edit";
import type { Section, Use } from "@/core/song/schema";
import { keyAct } from "@/ui/keys";
import { SectionTag } from "@/ui/SectionTag";
import { SortableList } from "@/ui/SortableList";
import { type FormRow, makeId, useAct, useCurrentVersion } from "../open";

/** The form: uses of sections in the order they are played; moved by dragging or by keys. */
export const Form = memo(function Form({
  rows,
  sections,
  chosen,
  onChoose,
}: {
  rows: readonly FormRow[];
  sections: readonly Section[];
  chosen: string | null;
  onChoose: (useId: string) => void;
}) {
  const act = useAct();
  const current = useCurrentVersion();
  const form = rows.map((row) => row.use);
  const moveTo = (useId: string, to: number) => {
    const others = form.filter((use) => use.id !== useId);
    if (to >= 0 && to <= others.length) act(moveBefore("uses", form, useId, others[to]?.id ?? null));
  };
  return (
    <section aria-label="Form" className="rounded-box bg-base-200 p-4">
      <h2 className="mb-2">Form</h2>
      {form.length === 0 && <p>Nothing is played yet: put sections in order here.</p>}
      <SortableList ids={form.map((use) => use.id)} onMove={moveTo}>
        <ol className="flex flex-col gap-1">
          {rows.map(({ use, section, label, bars, otherwise }, index) => (
            <UseRow
              key={use.id}
              use={use}
              section={section}
              label={label}
              bars={bars}
              otherwise={otherwise}
              chosen={chosen === use.id}
              onChoose={() => onChoose(use.id)}
              onMove={(by) => moveTo(use.id, index + by)}
              onRepeat={(repeat) => act(set("uses", use.id, { repeat }))}
              onRemove={() => act(removeUse(current(), use.id))}
            />
          ))}
        </ol>
      </SortableList>
      <label className="mt-3 flex items-center gap-2 text-sm whitespace-nowrap">
        Play also
        <select
          className="select select-sm"
          value=""
          onChange={(event) => event.target.value && act(addUse(current(), event.target.value, makeId))}
        >
          <option value="">choose a section</option>
          {sections.map((section) => (
            <option key={section.id} value={section.id}>
              {section.label}
            </option>
          ))}
        </select>
      </label>
    </section>
  );
});

type RowProps = {
  readonly use: Use;
  readonly section: Section;
  readonly label: string;
  readonly bars: number;
  readonly otherwise: string;
  readonly chosen: boolean;
  readonly onChoose: () => void;
  readonly onMove: (by: number) => void;
  readonly onRepeat: (repeat: number) => void;
  readonly onRemove: () => void;
};

function UseRow({
  use,
  section,
  label,
  bars,
  otherwise,
  chosen,
  onChoose,
  onMove,
  onRepeat,
  onRemove,
}: RowProps) {
  const sortable = useSortable({ id: use.id });
  const onKeyDown = (event: KeyboardEvent) => {
    const pressed = keyAct("form", event);
    if (!pressed) return;
    event.preventDefault();
    onMove(pressed === "earlier" ? -1 : 1);
  };
  return (
    <li
      ref={sortable.setNodeRef}
      style={{ transform: CSS.Transform.toString(sortable.transform), transition: sortable.transition }}
      className={`grid grid-cols-[auto_minmax(0,1fr)_auto_auto_auto] items-center gap-x-2 rounded-field bg-base-100 px-1 py-1 ${sortable.isDragging ? "z-10 shadow-lg" : ""} ${chosen ? "outline-2 outline-base-content" : ""}`}
      onKeyDown={onKeyDown}
    >
      <button
        type="button"
        className="btn btn-ghost btn-xs cursor-grab px-1"
        aria-label={`Move ${label}`}
        {...sortable.attributes}
        {...sortable.listeners}
      >
        <GripVertical size={16} aria-hidden="true" />
      </button>
      <button
        type="button"
        className="min-w-0 cursor-pointer text-left text-sm"
        aria-expanded={chosen}
        aria-label={`What is otherwise at ${label}`}
        onClick={onChoose}
      >
        <SectionTag label={label} kind={section.kind} />
      </button>
      <span className="text-sm whitespace-nowrap">{bars} bars</span>
      <select
        className="select select-xs w-16"
        aria-label={`Times ${label} is played here`}
        value={use.repeat}
        onChange={(event) => onRepeat(Number(event.target.value))}
      >
        {[1, 2, 3, 4, 5, 6, 7, 8].concat(use.repeat > 8 ? [use.repeat] : []).map((times) => (
          <option key={times} value={times}>
            × {times}
          </option>
        ))}
      </select>
      <button
        type="button"
        className="btn btn-ghost btn-xs px-1"
        aria-label={`Take ${label} out of the form`}
        onClick={onRemove}
      >
        <X size={16} aria-hidden="true" />
      </button>
      {otherwise && <p className="col-span-full pl-8 text-sm">{otherwise}</p>}
    </li>
  );
}
