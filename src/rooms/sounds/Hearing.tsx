"use client";

import { useState } from "react";
import { allowedHours, allowedLevel, describeHours, LIMIT_DBA } from "@/core/sounds";
import { NumberField } from "@/ui/NumberField";

const LEVELS = [85, 88, 91, 94, 97, 100, 103] as const;

/** How loud for how long: a small calculator beside everything loud. */
export function Hearing() {
  const [level, setLevel] = useState(94);
  const [hours, setHours] = useState(2);
  return (
    <section aria-labelledby="hearing-title" className="mb-8 max-w-3xl">
      <h2 id="hearing-title" className="mb-1">
        Ears
      </h2>
      <p className="mb-2 text-sm">
        A limit for a whole day (NIOSH 98-126): {LIMIT_DBA} dBA for 8 hours, half the time for each 3 dB more.
        Headphones and a drum beside you count as well. Ringing or dull hearing afterwards: less, and see a
        clinician; local rules may ask for more care.
      </p>
      <div className="mb-2 flex flex-wrap items-end gap-4">
        <NumberField
          label="At"
          value={level}
          least={60}
          most={130}
          unit="dBA"
          whole={false}
          onSet={setLevel}
        />
        <p className="pb-1" aria-live="polite">
          at most <strong>{describeHours(allowedHours(level))}</strong> a day
        </p>
        <NumberField
          label="For"
          value={hours}
          least={0.05}
          most={24}
          unit="hours"
          whole={false}
          onSet={setHours}
        />
        <p className="pb-1" aria-live="polite">
          at most <strong>{allowedLevel(hours).toFixed(0)} dBA</strong>
        </p>
      </div>
      <div className="overflow-x-auto">
        <table className="table table-sm w-auto">
          <caption className="sr-only">Levels and how long they may last in a day</caption>
          <tbody>
            <tr>
              <th scope="row">dBA</th>
              {LEVELS.map((one) => (
                <td key={one}>{one}</td>
              ))}
            </tr>
            <tr>
              <th scope="row">a day</th>
              {LEVELS.map((one) => (
                <td key={one}>{describeHours(allowedHours(one))}</td>
              ))}
            </tr>
          </tbody>
        </table>
      </div>
    </section>
  );
}
