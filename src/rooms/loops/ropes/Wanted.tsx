"use client";

import {
  type KeyboardEvent,
  useCallback,
  useEffect,
  useMemo,
  useRef,
  useState,
  useSyncExternalStore,
} from "react";
import { followAgain, strokeWants, type UseWant, type Want, wantsOf, wrongLayers } from "@/core/loops";
import { namerByShift } from "@/core/song/read";
import { pretty } from "@/ui/pretty";
import { SelectField } from "@/ui/SelectField";
import { derive, makeId, useAct, useCurrentVersion } from "../../open";
import type { Loops } from "../use-loops";
import { type Picked, type PlayedStretch, UseBlock } from "./UseBlock";
import { rowsOf, STEPS, type Step, unitsOf } from "./units";

const TOOLS: readonly { readonly want: Want; readonly key: string; readonly label: string }[] = [
  { want: "on", key: "d", label: "Draw" },
  { want: "off", key: "c", label: "Cut" },
  { want: "either", key: "l", label: "Leave loose" },
];

type Block = {
  readonly said: string;
  readonly wants: readonly UseWant[];
  readonly played: readonly (readonly PlayedStretch[])[];
};

type Place = { readonly use: number; readonly layer: number; readonly from: number; readonly to: number };

const NARROW = "(max-width: 700px)";

/** Bars in a row: fewer where the screen is narrow, so that words can be read. */
function useBarsInRow(): number {
  const narrow = useSyncExternalStore(
    (changed) => {
      const query = window.matchMedia(NARROW);
      query.addEventListener("change", changed);
      return () => query.removeEventListener("change", changed);
    },
    () => window.matchMedia(NARROW).matches,
    () => false,
  );
  return narrow ? 4 : 8;
}

/** Which layers sound where by the plan, by use and layer. */
function playedOf(shown: Loops["shown"]): ReadonlyMap<string, PlayedStretch[]> {
  const found = new Map<string, PlayedStretch[]>();
  if (!shown) return found;
  for (const [at, piece] of shown.song.pieces.entries()) {
    const { span } = piece;
    const on = new Set(shown.plan.states[at]!.flatMap((track) => shown.plan.tracks[track]!));
    const wrong = wrongLayers(shown.song.asked!, shown.plan, at);
    for (const { id } of shown.song.layers) {
      const key = `${id} ${span.use.id}`;
      const isWrong = wrong.silent.includes(id) || wrong.sounding.includes(id);
      const one = {
        from: piece.from - span.from,
        to: piece.to - span.from,
        sounds: on.has(id),
        wrong: isWrong,
      };
      found.set(key, [...(found.get(key) ?? []), one]);
    }
  }
  return found;
}

/** What is wanted, along the words: a strand for each layer, drawn, cut or left loose. */
export function Wanted({ loops }: { loops: Loops }) {
  const { song, body } = loops;
  const { layers, spans } = song;
  const act = useAct();
  const current = useCurrentVersion();
  const [step, setStep] = useState<Step>("bar");
  const [tool, setTool] = useState<Want>("on");
  const [place, setPlace] = useState<Place | null>(null);
  const drag = useRef(false);
  const box = useRef<HTMLDivElement>(null);
  const { version } = body;
  const units = useMemo(() => {
    const namers = namerByShift({ version });
    const nameOf = (symbol: string, shift: number) => pretty(namers(shift).name(symbol).sounding);
    return spans.map((span) => unitsOf(song, span, step, nameOf));
  }, [song, spans, step, version]);
  const full = useBarsInRow() * song.barTicks;
  const rows = useMemo(() => units.map((list) => rowsOf(full, list)), [full, units]);
  const wants = useMemo(() => wantsOf(body, derive.outline(body)), [body]);
  const played = useMemo(() => playedOf(loops.shown), [loops.shown]);
  /** By use: what its block shows, the same objects until something of it changes. */
  const known = useRef(new Map<string, Block>());
  const blocks = useMemo(
    () =>
      spans.map((span): Block => {
        const own = layers.map(({ id }) => wants(id, span.use.id));
        const sounding = layers.map(({ id }) => played.get(`${id} ${span.use.id}`) ?? []);
        const said = JSON.stringify([own.map(({ row, stretches }) => [row?.id, stretches]), sounding]);
        const before = known.current.get(span.use.id);
        const block = before?.said === said ? before : { said, wants: own, played: sounding };
        known.current.set(span.use.id, block);
        return block;
      }),
    [spans, layers, wants, played],
  );

  const strokesOf = (picked: Place, want: Want) => {
    const span = spans[picked.use];
    const layer = layers[picked.layer];
    const first = units[picked.use]?.[Math.min(picked.from, picked.to)];
    const last = units[picked.use]?.[Math.max(picked.from, picked.to)];
    // What was selected may be gone meanwhile.
    if (!span || !layer || !first || !last) return [];
    return [
      {
        layerId: layer.id,
        useId: span.use.id,
        from: first.from,
        to: last.to,
        total: span.to - span.from,
        want,
      },
    ];
  };
  const stroke = (picked: Place, want: Want) => {
    const body = current();
    const strokes = strokesOf(picked, want);
    if (strokes.length > 0) act(strokeWants(body, derive.outline(body), strokes, makeId));
  };

  const latest = useRef({ place, tool, stroke });
  latest.current = { place, tool, stroke };
  useEffect(() => {
    const up = () => {
      if (!drag.current) return;
      drag.current = false;
      const { place: picked, tool: want, stroke: draw } = latest.current;
      if (picked) draw(picked, want);
    };
    // A finger that turns out to scroll draws nothing.
    const cancel = () => {
      drag.current = false;
      setPlace(null);
    };
    window.addEventListener("pointerup", up);
    window.addEventListener("pointercancel", cancel);
    return () => {
      window.removeEventListener("pointerup", up);
      window.removeEventListener("pointercancel", cancel);
    };
  }, []);

  const onDown = useCallback((use: number, layer: number, unit: number) => {
    drag.current = true;
    setPlace({ use, layer, from: unit, to: unit });
  }, []);
  const onEnter = useCallback((use: number, layer: number, unit: number) => {
    setPlace((before) =>
      drag.current && before?.use === use && before.layer === layer ? { ...before, to: unit } : before,
    );
  }, []);

  const go = (next: Place) => {
    setPlace(next);
    const id = `${layers[next.layer]!.id} ${units[next.use]![next.to]!.from}`;
    const block = box.current?.querySelectorAll<HTMLElement>("[data-use]")[next.use];
    block?.querySelector<HTMLElement>(`[data-strand="${id}"]`)?.focus();
  };
  /** The selection when the focus is at its end, else the strand in focus alone. */
  const placeOf = (target: HTMLElement): Place => {
    const block = target.closest<HTMLElement>("[data-use]");
    const use = Math.max(
      0,
      spans.findIndex((span) => span.use.id === block?.dataset.use),
    );
    const layer = Math.max(
      0,
      layers.findIndex(({ id }) => target.dataset.strand?.startsWith(`${id} `)),
    );
    const at = Number(target.dataset.unit);
    return place?.use === use && place.layer === layer && place.to === at
      ? place
      : { use, layer, from: at, to: at };
  };
  const onKey = (event: KeyboardEvent) => {
    const target = (event.target as HTMLElement).closest<HTMLElement>("[data-strand]");
    if (!target || event.ctrlKey || event.metaKey || event.altKey) return;
    const here = placeOf(target);
    const chosen = TOOLS.find(({ key }) => key === event.key.toLowerCase());
    if (chosen) {
      event.preventDefault();
      setPlace(here);
      stroke(here, chosen.want);
      return;
    }
    const own = units[here.use]!;
    const move = (to: number) => {
      if (event.shiftKey) {
        if (to >= 0 && to < own.length) go({ ...here, to });
        return;
      }
      if (to >= 0 && to < own.length) go({ ...here, from: to, to });
      else {
        const use = here.use + Math.sign(to - here.to);
        if (!units[use]) return;
        const at = to < 0 ? units[use].length - 1 : 0;
        go({ ...here, use, from: at, to: at });
      }
    };
    const down = (by: number) => {
      const layer = here.layer + by;
      if (layers[layer]) go({ ...here, layer });
      else if (units[here.use + by]) {
        const use = here.use + by;
        const at = Math.min(here.to, units[use]!.length - 1);
        go({ use, layer: by > 0 ? 0 : layers.length - 1, from: at, to: at });
      }
    };
    const acts: Readonly<Record<string, () => void>> = {
      ArrowRight: () => move(here.to + 1),
      ArrowLeft: () => move(here.to - 1),
      ArrowDown: () => down(1),
      ArrowUp: () => down(-1),
      Home: () => go({ ...here, ...(event.shiftKey ? {} : { from: 0 }), to: 0 }),
      End: () => go({ ...here, ...(event.shiftKey ? {} : { from: own.length - 1 }), to: own.length - 1 }),
      a: () => go({ ...here, from: 0, to: own.length - 1 }),
      Enter: () => stroke(here, tool),
      " ": () => stroke(here, tool),
    };
    const doing = acts[event.key];
    if (!doing) return;
    event.preventDefault();
    doing();
  };

  const acting = useRef({ act, current });
  acting.current = { act, current };
  const follow = useCallback(
    (useId: string) => acting.current.act(followAgain(acting.current.current(), useId)),
    [],
  );
  const isOwn = (useId: string, sectionId: string) =>
    spans.find(({ use }) => use.sectionId === sectionId)?.use.id !== useId &&
    layers.some(({ id }) => wants(id, useId).row);

  return (
    <section aria-labelledby="wanted-title">
      <h2 id="wanted-title">What is wanted</h2>
      <p className="mb-2 max-w-3xl text-sm">
        A strand for each layer along the words. Drag over it, or move with the arrows and press{" "}
        <kbd className="font-mono">d</kbd> to draw, <kbd className="font-mono">c</kbd> to cut,{" "}
        <kbd className="font-mono">l</kbd> to leave loose: then the plan may play it or not, as suits the
        feet. Shift and arrows take more, <kbd className="font-mono">a</kbd> the whole section.
      </p>
      <div className="mb-4 flex flex-wrap items-end gap-4">
        <fieldset>
          <legend className="text-sm">A drag will</legend>
          <div className="join">
            {TOOLS.map(({ want, key, label }) => (
              <button
                key={want}
                type="button"
                className={`btn btn-sm join-item ${tool === want ? "btn-primary" : ""}`}
                aria-pressed={tool === want}
                aria-keyshortcuts={key}
                onClick={() => setTool(want)}
              >
                {label}
              </button>
            ))}
          </div>
        </fieldset>
        <SelectField
          label="One step is a"
          value={step}
          options={STEPS.map((one) => ({ value: one, label: one }))}
          onSet={(value) => {
            setPlace(null);
            setStep(value as Step);
          }}
        />
        <p className="flex flex-wrap items-center gap-x-4 text-sm" aria-hidden="true">
          <span className="flex items-center gap-1">
            <span className="inline-block h-1.5 w-8 bg-primary" /> the plan plays it
          </span>
          <span className="flex items-center gap-1">
            <span className="inline-block h-1.5 w-8 border-2 border-error" /> not as wanted
          </span>
        </p>
      </div>
      {/* biome-ignore lint/a11y/noStaticElementInteractions: keys of the buttons inside */}
      <div ref={box} onKeyDown={onKey} className="select-none">
        {spans.map((span, use) => {
          const picked: Picked | null =
            place?.use === use
              ? {
                  layer: place.layer,
                  from: Math.min(place.from, place.to),
                  to: Math.max(place.from, place.to),
                  at: place.to,
                }
              : null;
          return (
            <div
              key={span.use.id}
              data-use={span.use.id}
              style={{
                contentVisibility: "auto",
                containIntrinsicSize: `auto ${40 + rows[use]!.length * (46 + layers.length * 28)}px`,
              }}
            >
              <UseBlock
                span={span}
                rows={rows[use]!}
                layers={layers}
                index={use}
                wants={blocks[use]!.wants}
                played={blocks[use]!.played}
                picked={picked}
                home={use === 0 && place === null}
                full={full}
                onDown={onDown}
                onEnter={onEnter}
                onFollow={isOwn(span.use.id, span.use.sectionId) ? follow : null}
              />
            </div>
          );
        })}
      </div>
    </section>
  );
}
