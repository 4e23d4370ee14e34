"use client";

import { useEffect, useMemo, useState } from "react";
import { call, eveningsWith, type OpenedEvening } from "@/api";
import type { Player } from "@/core/song/schema";
import { setSoundBox } from "@/core/sounds";
import { type AnswerOf, useEngine } from "@/engines/window";
import { SearchNote } from "@/ui/SearchNote";
import { SelectField } from "@/ui/SelectField";
import { makeId, useAct, useCurrentVersion, useOpenSong, useWholeVersionLater } from "../../open";
import { SoundsPage } from "../SoundsPlayer";
import { type Tones, useTones } from "../use-sounds";

/** The banks of one player's box for a whole evening. */
export const EveningPage = () => <SoundsPage>{ForEvening}</SoundsPage>;

function ForEvening({ player }: { player: Player }) {
  const tones = useTones(player);
  const { version } = useOpenSong();
  const [evenings, setEvenings] = useState<readonly OpenedEvening[] | "failed" | null>(null);
  const [chosen, setChosen] = useState("");
  useEffect(() => {
    let isCurrent = true;
    void call(eveningsWith, { sent: { version: version.id } }).then((found) => {
      if (isCurrent) setEvenings(found.ok ? found.answer.evenings : "failed");
    });
    return () => {
      isCurrent = false;
    };
  }, [version.id]);
  if (evenings === null) return <p>The evenings are being looked for…</p>;
  if (evenings === "failed")
    return <p>The evenings can’t be read now: the server did not answer. Open this page again.</p>;
  const evening = evenings.find(({ id }) => id === chosen) ?? evenings[0];
  if (!evening)
    return (
      <p className="rounded-box bg-base-200 p-4">
        This version is in no evening’s running order yet; once it is, the banks of all its songs stand here.
      </p>
    );
  return (
    <>
      {evenings.length > 1 && (
        <div className="mb-4">
          <SelectField
            label="Evening"
            className="w-72"
            value={evening.id}
            options={evenings.map(({ id, name }) => ({ value: id, label: name }))}
            onSet={setChosen}
          />
        </div>
      )}
      <Laid key={evening.id} evening={evening} tones={tones} />
    </>
  );
}

const countSlots = (count: number): string => `${count} ${count === 1 ? "slot" : "slots"}`;

/** The first of banks that lie one after the other; null where they don't. */
function firstOf(banks: readonly number[]): number | null {
  const [first] = banks;
  return first !== undefined && banks.every((bank, at) => bank === first + at) ? first : null;
}

function Laid({ evening, tones }: { evening: OpenedEvening; tones: Tones }) {
  const { player, box } = tones.song;
  const own = useWholeVersionLater();
  const { version } = useOpenSong();
  const question = useMemo(
    () => ({
      songs: evening.items.map(({ title, versionId, body }) => ({
        title,
        versionId,
        body: versionId === version.id ? own : body,
      })),
      player: { name: player.name, bandPlayerId: player.bandPlayerId },
      box,
    }),
    [evening, own, version.id, player.name, player.bandPlayerId, box],
  );
  const search = useEngine("evening-banks", question);
  const banks = search.data;
  if (!banks)
    return (
      <p>
        <SearchNote search={search} doing="The banks are being laid…" />
      </p>
    );
  const here = banks.places.find(({ versionId }) => versionId === version.id);
  const first = here ? firstOf(here.banks) : null;
  if (box.kind === "pedals")
    return (
      <p className="rounded-box bg-base-200 p-4">Single pedals keep no sounds: there is nothing to lay.</p>
    );
  if (banks.banks.length === 0)
    return (
      <p className="rounded-box bg-base-200 p-4">
        {player.name} changes no sound in any song of this evening.
      </p>
    );
  return (
    <section aria-labelledby="evening-title">
      <h2 id="evening-title" className="mb-1">
        {evening.name}: {player.name}’s box
      </h2>
      <p className="mb-1" aria-live="polite">
        <strong>
          {banks.banks.length} {banks.banks.length === 1 ? "bank" : "banks"}
        </strong>
        , {countSlots(banks.free)} free, {countSlots(banks.doubled)} with a sound that stands elsewhere too.
        {banks.over > 0 && (
          <strong className="text-error">
            {" "}
            The box has {box.banks}: {banks.over} too many. Let songs share sounds, or pin them so that banks
            are alike.
          </strong>
        )}
      </p>
      <p className="mb-3 text-sm">
        <SearchNote search={search} doing="Being laid anew…" /> In running order. A bank that is the same as
        one of an earlier song is saved once.
      </p>
      <BankTable banks={banks.banks} slots={box.slots} />
      {first !== null && first !== box.firstBank && <NumberFrom tones={tones} first={first} />}
      <p className="mt-2 text-sm">
        Programs are counted from 0, as they are sent; some displays count from 1. Plans of the other songs
        are those of their own boxes where they differ.
      </p>
    </section>
  );
}

type Banks = Extract<AnswerOf<"evening-banks">, { banks: unknown }>["banks"];

/** Every bank of the evening with its songs, sounds and programs. */
function BankTable({ banks, slots }: { banks: Banks; slots: number }) {
  return (
    <div className="overflow-x-auto">
      <table className="table table-sm w-auto">
        <thead>
          <tr className="text-base-content">
            <th scope="col">Bank</th>
            <th scope="col">For</th>
            {Array.from({ length: slots }, (_, slot) => (
              <th key={slot} scope="col">
                Slot {slot + 1}
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {banks.map((bank) => (
            <tr key={bank.bank} className="align-top">
              <th scope="row">
                {bank.bank + 1}
                {bank.landing !== null && (
                  <span className="block text-xs font-normal">opens on slot {bank.landing + 1}</span>
                )}
              </th>
              <td>{bank.titles.join(", ")}</td>
              {bank.slots.map(({ slot, sound, program, page, doubles }) => (
                <td key={slot}>
                  {sound ?? <span className="text-sm">free</span>}
                  <span className="block font-mono text-xs">
                    program {program}
                    {page > 0 && ` of page ${page}`}
                  </span>
                  {doubles.length > 0 && <span className="block text-xs">also in {doubles.join("; ")}</span>}
                </td>
              ))}
            </tr>
          ))}
        </tbody>
      </table>
    </div>
  );
}

/** Offers to number the banks of the opened song as they lie on the evening. */
function NumberFrom({ tones, first }: { tones: Tones; first: number }) {
  const act = useAct();
  const current = useCurrentVersion();
  const { player, box } = tones.song;
  return (
    <p className="mt-3">
      <button
        type="button"
        className="btn btn-sm"
        onClick={() => act(setSoundBox(current(), player.id, { firstBank: first }, makeId))}
      >
        Number the banks of this song from {first + 1}
      </button>{" "}
      <span className="text-sm">
        On its own it begins at bank {box.firstBank + 1}; its sheets and MIDI messages follow the number.
      </span>
    </p>
  );
}
