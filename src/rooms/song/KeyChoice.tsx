"use client";

import { useState } from "react";
import { changeKey, hasCapo, sameShapes } from "@/core/song/edit";
import { keysOf, versionRow } from "@/core/song/read";
import { byOrder } from "@/document";
import { describeKey } from "@/ui/pretty";
import { SelectField } from "@/ui/SelectField";
import { Tick } from "@/ui/Tick";
import { useAct, useCurrentVersion, useNames, useRows } from "../open";
import { keyChoices } from "./key-choices";

/**
 * The key a version sounds in. Where a guitar has a capo its shapes were chosen: they are kept, and the capo moves along, unless
 * somebody says otherwise; or the capo is chosen, and the key follows.
 */
export function KeyChoice({ label, row = false }: { label: string; row?: boolean }) {
  const body = useRows("version", "players");
  const current = useCurrentVersion();
  const act = useAct();
  const names = useNames();
  const [keeps, setKeeps] = useState(true);
  const version = versionRow(body);
  const { sounding } = keysOf(body);
  const guitars = Object.values(body.players).sort(byOrder).filter(hasCapo);
  const go = (key: string, keep = keeps) => act(changeKey(current(), key, (one) => keep && hasCapo(one)));
  const told = (key: string) => names().keyNamed(key);
  const [first] = guitars;
  return (
    <>
      <SelectField
        label={label}
        className="w-44"
        value={version.key}
        options={keyChoices(version.key).map((key) => ({ value: key, label: describeKey(told(key)) }))}
        onSet={(key) => go(key)}
      />
      {first && <Tick label="guitars with a capo keep their shapes" on={keeps} onSet={setKeeps} />}
      {first && row && (
        <fieldset className="w-full">
          <legend className="text-sm">
            Same shapes, other capos: {guitars.map(({ name }) => name).join(" and ")} in shapes of{" "}
            {names({ player: first, capo: first.capo }).keyName(
              names({ player: first, capo: first.capo }).shapeKey,
            )}
          </legend>
          <div className="flex flex-wrap gap-1">
            {sameShapes(first, sounding).map(({ capo, key }) => (
              <button
                key={capo}
                type="button"
                className="btn btn-sm"
                aria-pressed={capo === first.capo}
                aria-label={`Capo ${capo}: sounds in ${told(key)}`}
                onClick={() => capo !== first.capo && go(key, true)}
              >
                <span className="font-normal">{capo}</span> {told(key)}
              </button>
            ))}
          </div>
        </fieldset>
      )}
    </>
  );
}
