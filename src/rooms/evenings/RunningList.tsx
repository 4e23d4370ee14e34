"use client";

import { X } from "lucide-react";
import Link from "next/link";
import type { ListedVersion } from "@/api";
import { describeChange, type Gap, type RunningOrder, type RunningRow } from "@/core/evenings";
import { eveningEdits, moveBefore } from "@/core/song/edit";
import type { EveningItem } from "@/core/song/schema";
import { DOCUMENTS } from "@/core/song/schema";
import { removalOf } from "@/document";
import { NumberField } from "@/ui/NumberField";
import { describeTime } from "@/ui/pretty";
import { SelectField } from "@/ui/SelectField";
import { SortableList } from "@/ui/SortableList";
import { TextField } from "@/ui/TextField";
import { useSortableRow } from "@/ui/use-sortable-row";
import { useKeyTold } from "../names";
import { useActOnEvening, useCurrentEvening } from "../open";
import { KIND_WORDS } from "./evening-words";

/** The running order: moved by dragging or by keys, with what changes between songs. */
export function RunningList({
  running,
  known,
}: {
  running: RunningOrder;
  known: ReadonlyMap<string, ListedVersion>;
}) {
  const act = useActOnEvening();
  const items = running.rows.map((row) => row.item);
  const moveTo = (itemId: string, to: number) => {
    const others = items.filter((item) => item.id !== itemId);
    if (to >= 0 && to <= others.length) act(moveBefore("items", items, itemId, others[to]?.id ?? null));
  };
  return (
    <section aria-label="Running order">
      <h2 className="mb-2">Running order</h2>
      {items.length === 0 && <p>Nothing is in it yet: add the first song beside this.</p>}
      <SortableList ids={items.map((item) => item.id)} onMove={moveTo}>
        <ol className="flex flex-col">
          {running.rows.map((row, at) => (
            <Row
              key={row.item.id}
              row={row}
              at={at}
              known={known}
              others={items.filter(({ kind, id: other }) => kind === "song" && other !== row.item.id)}
              onMove={(by) => moveTo(row.item.id, at + by)}
            />
          ))}
        </ol>
      </SortableList>
    </section>
  );
}

function Row({
  row,
  at,
  known,
  others,
  onMove,
}: {
  row: RunningRow;
  at: number;
  known: ReadonlyMap<string, ListedVersion>;
  others: readonly EveningItem[];
  onMove: (by: number) => void;
}) {
  const act = useActOnEvening();
  const current = useCurrentEvening();
  const { item, from, seconds, gap } = row;
  const version = known.get(item.versionId ?? "");
  const isSong = item.kind === "song";
  const name = isSong ? (version?.title ?? "A song that is gone") : item.title || KIND_WORDS[item.kind];
  const change = (fields: Partial<EveningItem>) => act(eveningEdits.set("items", item.id, fields));
  const nameOf = (other: EveningItem) => known.get(other.versionId ?? "")?.title ?? "a song that is gone";
  const { handle, setNodeRef, style, lifted } = useSortableRow(item.id, name, "running order", onMove);
  return (
    <li ref={setNodeRef} style={style} className={`border-t border-base-300 py-2 ${lifted}`}>
      <div className="flex flex-wrap items-center gap-x-3 gap-y-1">
        {handle}
        <span className="w-7 font-mono text-lg">{at + 1}</span>
        <WhatItIs version={version} name={name} />
        <span className="ml-auto text-sm whitespace-nowrap">
          at {describeTime(from)}, {describeTime(seconds)}
        </span>
        <button
          type="button"
          className="btn btn-ghost btn-xs"
          aria-label={`Take ${name} out`}
          onClick={() =>
            act(eveningEdits.batch("Take it out", removalOf(DOCUMENTS.evening, current(), "items", item.id)))
          }
        >
          <X size={16} aria-hidden="true" />
        </button>
      </div>
      <div className="mt-1 flex flex-wrap items-end gap-3 pl-8">
        {isSong ? (
          <SongPlace item={item} others={others} nameOf={nameOf} change={change} />
        ) : (
          <Between item={item} change={change} />
        )}
        <TextField
          label="Note"
          className="w-64"
          value={item.note}
          longest={400}
          onSet={(note) => change({ note })}
        />
      </div>
      {gap && <GapLine gap={gap} />}
    </li>
  );
}

function WhatItIs({ version, name }: { version: ListedVersion | undefined; name: string }) {
  const keyTold = useKeyTold();
  return (
    <>
      {version ? (
        <Link className="link text-lg font-bold" href={`/song/${version.versionId}`}>
          {version.title}
        </Link>
      ) : (
        <strong className="text-lg">{name}</strong>
      )}
      {version && (
        <span className="text-sm">
          {version.versionName}, {keyTold(version.key)}
        </span>
      )}
    </>
  );
}

type ItemProps = { item: EveningItem; change: (fields: Partial<EveningItem>) => void };

/** What stands between songs, and how long it takes. */
function Between({ item, change }: ItemProps) {
  return (
    <>
      <TextField
        label="What"
        className="w-48"
        value={item.title}
        longest={200}
        onSet={(title) => change({ title })}
      />
      <NumberField
        label="Minutes"
        value={item.minutes}
        least={0}
        most={600}
        whole={false}
        onSet={(minutes) => change({ minutes })}
      />
    </>
  );
}

/** Where a song must come in the running order. */
function SongPlace({
  item,
  others,
  nameOf,
  change,
}: ItemProps & { others: readonly EveningItem[]; nameOf: (item: EveningItem) => string }) {
  return (
    <>
      <SelectField
        label="Where"
        className="w-32"
        value={item.place ?? ""}
        options={[
          { value: "", label: "anywhere" },
          { value: "opens", label: "opens" },
          { value: "last", label: "comes last" },
        ]}
        onSet={(place) => change({ place: (place || null) as EveningItem["place"] })}
      />
      <SelectField
        label="Comes before"
        className="w-48"
        value={item.beforeId ?? ""}
        options={[
          { value: "", label: "any" },
          ...others.map((other) => ({ value: other.id, label: nameOf(other) })),
        ]}
        onSet={(id) => change({ beforeId: id || null })}
      />
    </>
  );
}

/** What is done between a song and the next one. */
function GapLine({ gap }: { gap: Gap }) {
  const { changes, meanwhile, seconds, covered, comes, goes } = gap;
  return (
    <p className="mt-2 ml-8 border-l-4 border-primary pl-3 text-sm">
      {seconds === 0 ? (
        "Straight on: nothing to change."
      ) : (
        <>
          <strong>{seconds} s</strong>
          {covered > 0 && (covered >= seconds ? ", covered" : `, ${covered} s of it covered`)}:{" "}
          {changes.map(describeChange).join("; ")}.
        </>
      )}
      {comes.length > 0 && ` ${comes.join(", ")} ${comes.length === 1 ? "comes" : "come"} on.`}
      {goes.length > 0 && ` ${goes.join(", ")} ${goes.length === 1 ? "leaves" : "leave"}.`}
      {meanwhile.length > 0 && ` Meanwhile: ${meanwhile.map(describeChange).join("; ")}.`}
    </p>
  );
}
