"use client";

import { BOX_PROFILES, looperPlayer } from "@/core/loops";
import { MOST_BOX_TRACKS } from "@/core/song/schema";
import { byOrder } from "@/document";
import { NumberField } from "@/ui/NumberField";
import { SelectField } from "@/ui/SelectField";
import { TextField } from "@/ui/TextField";
import { Tick } from "@/ui/Tick";
import { useRows } from "../../open";
import type { BoxModel } from "./use-box";

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
            const { school, startFrom, listen } = box;
            change({ ...profile, pedals: [...profile.pedals], school, startFrom, listen });
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
          label="Waits for the loop point"
          on={box.quantised}
          onSet={(quantised) => change({ quantised })}
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
      </div>
    </>
  );
}
