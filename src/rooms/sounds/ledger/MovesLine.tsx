import { type SoundMove, settingOf } from "@/core/song/schema";
import type { Settings, SoundUse } from "@/core/sounds";

/** Moves drawn along a section: a line for each setting that rises or falls, a step where it changes at once. */
export function MovesLine({
  soundUse,
  moves,
  settings,
}: {
  soundUse: SoundUse;
  moves: readonly SoundMove[];
  /** The sound the section begins with. */
  settings: Settings;
}) {
  if (moves.length === 0) return null;
  const length = Math.max(1, soundUse.span.to - soundUse.span.from);
  const bars = soundUse.span.passages.flatMap((passage) => passage.bars);
  const rows = new Map<SoundMove["setting"], SoundMove[]>();
  for (const move of moves) rows.set(move.setting, [...(rows.get(move.setting) ?? []), move]);
  const at = (tick: number): number => (100 * Math.min(length, Math.max(0, tick))) / length;
  return (
    <div className="mt-2 flex flex-col gap-1" aria-hidden="true">
      {[...rows].map(([setting, own]) => (
        <div key={setting} className="grid grid-cols-[7rem_1fr] items-center gap-2 text-xs">
          <span className="truncate">{settingOf(setting).words}</span>
          <svg viewBox="0 0 100 20" preserveAspectRatio="none" className="h-5 w-full" role="presentation">
            <line
              x1="0"
              y1="19"
              x2="100"
              y2="19"
              className="stroke-base-content/40"
              strokeWidth="0.5"
              vectorEffect="non-scaling-stroke"
            />
            {bars.map((bar) => (
              <line
                key={bar.tick}
                x1={at(bar.tick - soundUse.span.from)}
                x2={at(bar.tick - soundUse.span.from)}
                y1="14"
                y2="19"
                className="stroke-base-content/40"
                vectorEffect="non-scaling-stroke"
              />
            ))}
            <polyline
              points={pointsOf(setting, settings[setting], own, at)}
              fill="none"
              className="stroke-base-content"
              strokeWidth="2.5"
              vectorEffect="non-scaling-stroke"
            />
          </svg>
        </div>
      ))}
    </div>
  );
}

/** How high a value stands, 18 low to 2 high. */
function heightOf(setting: SoundMove["setting"], value: SoundMove["value"]): number {
  const { kind } = settingOf(setting);
  if (kind === "flag") return value === true ? 2 : 18;
  const table = settingOf(setting);
  if (table.kind !== "number") return 10;
  return 18 - (16 * (Number(value) - table.least)) / (table.most - table.least);
}

function pointsOf(
  setting: SoundMove["setting"],
  begins: SoundMove["value"],
  moves: readonly SoundMove[],
  at: (tick: number) => number,
): string {
  const sorted = moves.toSorted((a, b) => a.from - b.from);
  let height = heightOf(setting, begins);
  const points = [`0,${height}`];
  for (const { from, to, value } of sorted) {
    points.push(`${at(from)},${height}`);
    height = heightOf(setting, value);
    points.push(`${at(to)},${height}`);
  }
  return [...points, `100,${height}`].join(" ");
}
