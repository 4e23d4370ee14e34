"use client";

import Link from "next/link";
import { useCallback, useMemo, useState } from "react";
import { useStore } from "zustand";
import type { ListedVersion } from "@/api";
import { itemsOf, runningOrder, type SongEdges } from "@/core/evenings";
import { eveningEdits } from "@/core/song/edit";
import {
  type EveningItem,
  type Evening as EveningRow,
  type EveningTables,
  MOST_MINUTES,
} from "@/core/song/schema";
import type { Loaded } from "@/document/client";
import { Notice } from "@/ui/Notice";
import { NumberField } from "@/ui/NumberField";
import { describeTime } from "@/ui/pretty";
import { TextField } from "@/ui/TextField";
import { Tick } from "@/ui/Tick";
import { useReady } from "@/ui/use-ready";
import { HelpButtons } from "../frame";
import { WindowNames } from "../names";
import { OpenEveningProvider, UndoRedo, useActOnEvening, useEvening, useOpenEvening } from "../open";
import { AddToEvening } from "./AddToEvening";
import { BestOrderPanel } from "./BestOrderPanel";
import { OnStagePanel } from "./OnStagePanel";
import { Packing } from "./Packing";
import { RunningList } from "./RunningList";

/** An evening: its running order with what changes between songs, how long it lasts, and the best order. */
export const EveningRoom = ({
  evening,
  versions,
}: {
  evening: Loaded<EveningTables>;
  versions: readonly ListedVersion[];
}) => (
  <OpenEveningProvider evening={evening}>
    <Evening versions={versions} />
  </OpenEveningProvider>
);

function Evening({ versions: first }: { versions: readonly ListedVersion[] }) {
  const body = useEvening();
  const [versions, setVersions] = useState(first);
  const { evening: store } = useOpenEvening();
  const notice = useStore(store.state, (state) => state.notice);
  const row: EveningRow = Object.values(body.evening)[0]!;
  const items = useMemo(() => itemsOf(body), [body]);
  const known = useMemo(() => new Map(versions.map((one) => [one.versionId, one])), [versions]);
  const edgesOf = useCallback(
    (item: EveningItem): SongEdges | null => known.get(item.versionId ?? "")?.edges ?? null,
    [known],
  );
  const running = useMemo(() => runningOrder(items, edgesOf), [items, edgesOf]);
  return (
    <main className="mx-auto max-w-5xl px-4 pb-24">
      <TopLine />
      <h1 className="mb-3">{row.name}</h1>
      <Settings row={row} />
      <OnStagePanel />
      <Length running={running} target={row.targetMinutes} />
      <div className="grid items-start gap-6 lg:grid-cols-[minmax(0,1fr)_20rem]">
        <RunningList running={running} known={known} />
        <div className="flex flex-col gap-6">
          <AddToEvening onKnown={(more) => setVersions([...versions, ...more])} />
          <BestOrderPanel items={items} edgesOf={edgesOf} known={known} />
          <Packing edges={items.flatMap((item) => edgesOf(item) ?? [])} />
        </div>
      </div>
      <p className="mt-6">
        <Link className="link" href={`/print/evening/${store.id}`}>
          Print the running order, for all or for one player
        </Link>
      </p>
      <div className="no-print pointer-events-none fixed inset-x-0 bottom-4 z-40 flex flex-col items-center px-4 *:pointer-events-auto">
        <Notice text={notice?.text ?? ""} count={notice?.count ?? 0} />
      </div>
    </main>
  );
}

function TopLine() {
  const { evening, history } = useOpenEvening();
  const ready = useReady();
  const saving = useStore(evening.state, (state) => state.saving);
  return (
    <header className="mb-4 flex flex-wrap items-center gap-x-4 gap-y-1 border-b border-base-300 py-2">
      <Link
        href="/"
        className="mr-auto font-bold underline decoration-2 decoration-primary underline-offset-4"
      >
        Shared Lantern
      </Link>
      <span aria-live="polite" className="text-sm" data-saving={ready ? saving : "opening"}>
        {saving === "saved"
          ? "All saved"
          : saving === "saving"
            ? "Saving…"
            : saving === "locked"
              ? "This window reads along while an evening is open. What you change is kept here, and sent once you give the leader’s passphrase."
              : "The server does not take it now. What you change is kept here and sent when it does."}
      </span>
      <UndoRedo history={history} />
      <WindowNames />
      <HelpButtons />
    </header>
  );
}

function Settings({ row }: { row: EveningRow }) {
  const act = useActOnEvening();
  const change = (fields: Partial<EveningRow>) => act(eveningEdits.set("evening", row.id, fields));
  return (
    <div className="mb-3 flex flex-wrap items-end gap-4">
      <TextField
        label="Name"
        className="w-64"
        value={row.name}
        required
        longest={120}
        onSet={(name) => change({ name })}
      />
      <label className="flex flex-col gap-1 text-sm">
        Day
        <input
          type="date"
          className="input input-sm"
          value={row.day ?? ""}
          onChange={(event) => change({ day: event.target.value === "" ? null : event.target.value })}
        />
      </label>
      <TextField
        label="Place"
        className="w-56"
        value={row.place}
        longest={120}
        onSet={(place) => change({ place })}
      />
      <Tick
        label="It should last a certain time"
        on={row.targetMinutes !== null}
        onSet={(on) => change({ targetMinutes: on ? 60 : null })}
      />
      {row.targetMinutes !== null && (
        <NumberField
          label="Minutes"
          value={row.targetMinutes}
          least={0}
          most={MOST_MINUTES}
          whole={false}
          onSet={(targetMinutes) => change({ targetMinutes })}
        />
      )}
    </div>
  );
}

function Length({ running, target }: { running: ReturnType<typeof runningOrder>; target: number | null }) {
  const { music, changeOver, other } = running;
  const all = music + changeOver + other;
  const over = target === null ? 0 : all - target * 60;
  return (
    <p className="mb-4" aria-live="polite">
      <strong>{describeTime(all)}</strong> in all: {describeTime(music)} of music, {describeTime(changeOver)}{" "}
      of change-over
      {other > 0 && `, ${describeTime(other)} of something else`}.
      {target !== null &&
        (Math.abs(over) < 30 ? (
          " That is as long as it should be."
        ) : (
          <strong>
            {" "}
            {describeTime(Math.abs(over))} {over > 0 ? "too long" : "to spare"}.
          </strong>
        ))}
    </p>
  );
}
