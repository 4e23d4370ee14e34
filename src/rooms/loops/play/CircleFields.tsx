import { SLOWEST_PACE } from "@/performance/loops";
import { NumberField } from "@/ui/NumberField";
import { SelectField } from "@/ui/SelectField";
import { Tick } from "@/ui/Tick";
import type { Circle } from "./use-circle";

/** What part of the song is run, how fast, and whether it goes round and round. */
export function CircleFields({
  circle: { last, setLast, isOn, setOn, pace, setPace },
  places,
  from,
  bpm,
}: {
  circle: Circle;
  places: readonly string[];
  from: number;
  bpm: number;
}) {
  return (
    <div className="mb-4 flex flex-wrap items-end gap-3">
      <SelectField
        label="Up to"
        className="w-52"
        value={last === null ? "" : String(last)}
        options={[
          { value: "", label: "the end" },
          ...places.flatMap((label, at) =>
            at < from ? [] : [{ value: String(at), label: `${at + 1}. ${label}, all of it` }],
          ),
        ]}
        onSet={(value) => setLast(value === "" ? null : Number(value))}
      />
      <NumberField
        label="Pace, %"
        value={Math.round(pace * 100)}
        least={SLOWEST_PACE * 100}
        most={100}
        onSet={(percent) => setPace(percent / 100)}
      />
      <Tick label="Round and round, quicker when clean" on={isOn} onSet={setOn} />
      <span className="pb-1.5 text-sm">
        {Math.round(bpm * pace)} a minute{pace < 1 ? ` of ${Math.round(bpm)}` : ""}
      </span>
    </div>
  );
}
