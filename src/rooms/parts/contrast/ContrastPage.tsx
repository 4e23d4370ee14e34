"use client";

import Link from "next/link";
import { useState } from "react";
import { type QuestionOf, useEngine } from "@/engines/window";
import { SearchNote } from "@/ui/SearchNote";
import { SelectField } from "@/ui/SelectField";
import { derive, useCurrentVersion, useDerived, useOpenSong } from "../../open";
import { PartsTabs } from "../PartsTabs";
import { Offers } from "./Offers";

const WHOLE_SONG = "";

/** Two guitars as two instruments: ways to part them, in a section or through the song, with overlap and effort. */
export function ContrastPage() {
  const current = useCurrentVersion();
  const { version } = useOpenSong();
  const { players, rows } = useDerived(derive.sheet);
  const guitars = players.filter(({ instrument }) => instrument === "guitar");
  const [picked, setPicked] = useState<readonly [string, string]>(["", ""]);
  const [useId, setUseId] = useState(WHOLE_SONG);
  const [question, setQuestion] = useState<QuestionOf<"contrast"> | null>(null);
  const search = useEngine("contrast", question, question);
  const first = guitars.find(({ id }) => id === picked[0]) ?? guitars[0];
  const second =
    guitars.find((one) => one.id === picked[1] && one !== first) ?? guitars.find((one) => one !== first);
  const options = guitars.map(({ id, name }) => ({ value: id, label: name }));
  return (
    <>
      <h1 className="mb-1">Parts</h1>
      <PartsTabs />
      {!first || !second || rows.length === 0 ? (
        <p className="rounded-box bg-base-200 p-4">
          Two guitars are parted once there are two, and a form.{" "}
          <Link className="link font-bold" href={`/song/${version.id}/players`}>
            Add players
          </Link>
        </p>
      ) : (
        <>
          <p className="mb-3 max-w-3xl">
            Ways to be two instruments and not one guitar twice: what they share and what it asks of the
            hands, now and after. Nothing changes until you take one.
          </p>
          <div className="flex flex-wrap items-end gap-3">
            <SelectField
              label="One"
              className="w-40"
              value={first.id}
              options={options}
              onSet={(id) => setPicked([id, picked[1]])}
            />
            <SelectField
              label="The other"
              className="w-40"
              value={second.id}
              options={options.filter(({ value }) => value !== first.id)}
              onSet={(id) => setPicked([first.id, id])}
            />
            <SelectField
              label="Where"
              className="w-52"
              value={useId}
              options={[
                { value: WHOLE_SONG, label: "wherever both play" },
                ...rows.map(({ use, label }) => ({ value: use.id, label })),
              ]}
              onSet={setUseId}
            />
            <button
              type="button"
              className="btn btn-primary"
              onClick={() =>
                setQuestion({ body: current(), players: [first.id, second.id], useId: useId || null })
              }
            >
              Part them
            </button>
            <SearchNote search={search} doing="Looking for ways…" />
          </div>
          {search.data && search.beside && (
            <Offers question={search.beside} answer={search.data} isOld={search.isOld} />
          )}
        </>
      )}
    </>
  );
}
