"use client";

import { BOX_PROFILES, looperPlayer } from "@/core/loops";
import { type LoopBox, MOST_BOX_TRACKS, MOST_MORE } from "@/core/song/schema";
import { byOrder } from "@/document";
import { NumberField } from "@/ui/NumberField";
import { SelectField } from "@/ui/SelectField";
import { TextField } from "@/ui/TextField";
import { Tick } from "@/ui/Tick";
import { useRows } from "../../open";
import type { BoxModel } from "./use-box";

const STARTS = [
  { value: "head", label: "begins at its head, at the press" },
  { value: "point", label: "waits for the loop point" },
  { value: "muted", label: "was only muted: comes in where it is" },
] as const;

const startOf = ({
  quantised,
  muted,
}: Pick<LoopBox, "quantised" | "muted">): (typeof STARTS)[number]["value"] =>
  muted ? "muted" : quantised ? "point" : "head";

/** What a looper can do, whose it is, and kinds of boxes to start from. */
export function BoxFields({ model }: { readonly model: BoxModel }) {
  const { box, change } = model;
  const body = useRows("players", "loopBoxes");
  return (
    <>
      <div className="mb-3 flex flex-wrap items-end gap-3">
        <SelectField
          label="Start from"
          className="w-72"
          value=""
          options={[
            { value: "", label: "choose a kind of box" },
            ...BOX_PROFILES.map(({ name }) => ({ value: name, label: name })),
          ]}
          onSet={(name) => {
            const profile = BOX_PROFILES.find((one) => one.name === name);
            if (!profile) return;
            const { school, startFrom, listen, finish, spread } = box;
            const built = { school, startFrom, listen, finish, spread };
            change({ ...profile, pedals: [...profile.pedals], ...built });
          }}
        />
        <TextField
          label="Name"
          className="w-72"
          value={box.name}
          required
          longest={60}
          onSet={(name) => change({ name })}
        />
        <NumberField
          label="Tracks"
          value={box.tracks}
          least={1}
          most={MOST_BOX_TRACKS}
          onSet={(tracks) => change({ tracks })}
        />
        <SelectField
          label="Whose feet"
          value={looperPlayer(body)?.id ?? ""}
          options={[
            ...(Object.keys(body.players).length === 0 ? [{ value: "", label: "nobody plays yet" }] : []),
            ...Object.values(body.players)
              .sort(byOrder)
              .map(({ id, name }) => ({ value: id, label: name })),
          ]}
          onSet={(playerId) => change({ playerId: playerId || null })}
        />
      </div>
      <div className="grid gap-x-6 sm:grid-cols-2 lg:grid-cols-3">
        <Tick
          label="A pedal lets all tracks in"
          on={box.allStart}
          onSet={(allStart) => change({ allStart })}
        />
        <Tick
          label="A pedal takes all tracks out"
          on={box.allStop}
          onSet={(allStop) => change({ allStop })}
        />
        <Tick
          label="One pedal does both: all out, all in from silence"
          on={box.toggleAll}
          onSet={(toggleAll) =>
            change({ toggleAll, ...(toggleAll ? { allStart: true, allStop: true } : {}) })
          }
        />
        <Tick
          label="One length for all tracks"
          on={box.sharedLength}
          onSet={(sharedLength) => change({ sharedLength })}
        />
        <Tick
          label="Can take the last layer back"
          on={box.undoLast}
          onSet={(undoLast) => change({ undoLast })}
        />
        <Tick
          label="Two pedals beside each other can be pressed at once"
          on={box.neighbours}
          onSet={(neighbours) => change({ neighbours })}
        />
      </div>
      <div className="mt-2 flex flex-wrap items-end gap-3">
        <SelectField
          label="A track let in again"
          className="w-80"
          value={startOf(box)}
          options={STARTS}
          onSet={(start) => change({ quantised: start === "point", muted: start === "muted" })}
        />
        <NumberField
          label="Two quick presses cost, over one"
          value={box.doubleMore}
          least={0}
          most={MOST_MORE}
          onSet={(doubleMore) => change({ doubleMore })}
        />
        <NumberField
          label="A held press costs, over one"
          value={box.holdMore}
          least={0}
          most={MOST_MORE}
          onSet={(holdMore) => change({ holdMore })}
        />
      </div>
    </>
  );
}
