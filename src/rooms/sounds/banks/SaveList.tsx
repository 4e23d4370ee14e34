"use client";

import {
  describeDifferences,
  describeSlot,
  markSaved,
  PLAIN_SETTINGS,
  type SlotState,
  slotStates,
} from "@/core/sounds";
import { makeId, useAct, useCurrentVersion } from "../../open";
import type { Tones } from "../use-sounds";

function say({ state }: SlotState): string {
  switch (state.is) {
    case "saved":
      return "saved as it is";
    case "new":
      return "not saved yet";
    case "other":
      return `“${state.sound}” stands there: save again`;
    case "changed":
      return `save again: ${describeDifferences(state.lines) ?? "changed"}`;
  }
}

/** What the real box holds: every slot of the plan that must be saved again, copies of one sound told together. */
export function SaveList({ tones }: { tones: Tones }) {
  const act = useAct();
  const current = useCurrentVersion();
  const { shown, body } = tones;
  if (!shown) return null;
  const { song, plan } = shown;
  const states = slotStates(body, song, plan.banks);
  if (states.length === 0) return null;
  const place = (one: { readonly bank: number; readonly slot: number }) => describeSlot(one, song.box);
  const open = states.filter(({ state }) => state.is !== "saved");
  const save = (slots: readonly SlotState[]) =>
    act(
      markSaved(
        current(),
        song.player.id,
        slots.map((one) => ({ ...one, settings: song.settings.get(one.sound) ?? PLAIN_SETTINGS })),
        makeId,
      ),
    );
  return (
    <section aria-labelledby="save-title" className="mb-8">
      <h2 id="save-title" className="mb-1">
        On the real box
      </h2>
      <p className="mb-2 max-w-3xl text-sm" aria-live="polite">
        {open.length === 0
          ? "Every slot is saved as the song has it."
          : `${open.length} of ${states.length} slots have to be saved. Tick each one when it is; a sound that is changed later comes back here, with every slot that holds a copy.`}
      </p>
      <div className="overflow-x-auto">
        <table className="table table-sm w-auto">
          <thead>
            <tr className="text-base-content">
              <th scope="col">Slot</th>
              <th scope="col">Sound</th>
              <th scope="col">How it stands</th>
              <th scope="col">Copies</th>
              <th scope="col">
                <span className="sr-only">Done</span>
              </th>
            </tr>
          </thead>
          <tbody>
            {states.map((one) => (
              <tr key={place(one)}>
                <th scope="row">{place(one)}</th>
                <td>{one.sound}</td>
                <td className={one.state.is === "saved" ? "" : "font-bold"}>{say(one)}</td>
                <td>{one.copies.length === 0 ? "" : `also in ${one.copies.map(place).join("; ")}`}</td>
                <td>
                  {one.state.is !== "saved" && (
                    <button
                      type="button"
                      className="btn btn-xs"
                      aria-label={`${one.sound} is saved in ${place(one)}`}
                      onClick={() => save([one])}
                    >
                      It is saved
                    </button>
                  )}
                </td>
              </tr>
            ))}
          </tbody>
        </table>
      </div>
      {open.length > 1 && (
        <button type="button" className="btn btn-sm mt-2" onClick={() => save(open)}>
          All of them are saved
        </button>
      )}
    </section>
  );
}
