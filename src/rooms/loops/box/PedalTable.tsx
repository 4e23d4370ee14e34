"use client";

import { SelectField } from "@/ui/SelectField";
import { TextField } from "@/ui/TextField";
import type { BoxModel } from "./use-box";

const MOST_PEDALS = 16;

/** The pedals of a looper and what each does, pressed, twice or held. */
export function PedalTable({ model }: { readonly model: BoxModel }) {
  const { box, acts, setPedal, removePedal, addPedal } = model;
  const known = (value: string) => (acts.some((one) => one.value === value) ? value : "none");
  return (
    <>
      <h3 className="mt-3 mb-1 font-bold">Pedals</h3>
      <div className="overflow-x-auto">
        <table className="table table-sm w-auto">
          <thead>
            <tr className="text-base-content">
              <th scope="col">Pedal</th>
              <th scope="col">A press</th>
              <th scope="col">Two quick presses</th>
              <th scope="col">Held</th>
              <th scope="col">
                <span className="sr-only">Remove</span>
              </th>
            </tr>
          </thead>
          <tbody>
            {box.pedals.map((pedal, at) => (
              <tr key={at}>
                <th scope="row">
                  <TextField
                    label={`Name of pedal ${at + 1}`}
                    hideLabel
                    value={pedal.name}
                    required
                    longest={30}
                    onSet={(name) => setPedal(at, { name })}
                  />
                </th>
                {(["press", "double", "hold"] as const).map((way) => (
                  <td key={way}>
                    <SelectField
                      label={`${pedal.name}: ${way}`}
                      hideLabel
                      className="w-56"
                      value={known(pedal[way])}
                      options={acts}
                      onSet={(value) => setPedal(at, { [way]: value })}
                    />
                  </td>
                ))}
                <td>
                  <button
                    type="button"
                    className="btn btn-sm"
                    disabled={box.pedals.length === 1}
                    onClick={() => removePedal(at)}
                  >
                    Remove
                  </button>
                </td>
              </tr>
            ))}
          </tbody>
        </table>
      </div>
      <button
        type="button"
        className="btn btn-sm mt-2"
        disabled={box.pedals.length >= MOST_PEDALS}
        onClick={addPedal}
      >
        Add a pedal
      </button>
    </>
  );
}
