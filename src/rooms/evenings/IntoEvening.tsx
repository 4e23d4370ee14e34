"use client";

import { useEffect, useRef, useState } from "react";
import { call, changeEvening, makeEvening, type NamedEvening, namesOfEvenings } from "@/api";
import { tellDay } from "@/ui/tell-day";

type Song = { readonly versionId: string; readonly title: string };

/** Puts a song at the end of an evening, wherever one has come upon the song. */
export function IntoEvening({ song, onClose }: { song: Song; onClose: () => void }) {
  const dialog = useRef<HTMLDialogElement>(null);
  const [evenings, setEvenings] = useState<readonly NamedEvening[] | null>(null);
  const [said, setSaid] = useState("");
  useEffect(() => {
    dialog.current?.showModal();
    void call(namesOfEvenings, {}).then((found) => {
      setEvenings(found.ok ? found.answer.evenings : []);
      if (!found.ok) setSaid("The evenings can’t be read now: the server did not answer.");
    });
  }, []);
  const put = async (id: string, name: string) => {
    const done = await call(changeEvening, {
      params: { id },
      sent: { act: "add", versionId: song.versionId },
    });
    const why = !done.ok && done.status !== "away" ? `: it ${done.message}` : "";
    setSaid(
      done.ok
        ? `“${song.title}” stands at the end of ${name}.`
        : `It was not put into ${name}${why}. Try again.`,
    );
  };
  const begin = async () => {
    const made = await call(makeEvening, { sent: {} });
    if (!made.ok) return setSaid("No evening was made: the server did not answer as it should. Try again.");
    setEvenings([{ id: made.answer.id, name: "New evening", day: null }, ...(evenings ?? [])]);
    await put(made.answer.id, "New evening");
  };
  return (
    <dialog
      ref={dialog}
      aria-label={`Put ${song.title} into an evening`}
      className="m-auto w-96 max-w-[94vw] rounded-box border-2 border-base-content/40 bg-base-100 p-5"
      onClose={onClose}
    >
      <h2 className="mb-3">Put “{song.title}” into</h2>
      <ul className="flex flex-col gap-2">
        {evenings?.map(({ id, name, day }) => (
          <li key={id}>
            <button
              type="button"
              className="btn h-auto min-h-11 w-full justify-start text-left"
              onClick={() => void put(id, name)}
            >
              <span>
                {name} {day && <span className="block text-sm font-normal">{tellDay(day)}</span>}
              </span>
            </button>
          </li>
        ))}
        <li>
          <button type="button" className="btn min-h-11 w-full justify-start" onClick={() => void begin()}>
            A new evening
          </button>
        </li>
      </ul>
      <p role="status" className="mt-3 min-h-6">
        {evenings === null ? "Looking for the evenings…" : said}
      </p>
      <button type="button" className="btn mt-2" onClick={() => dialog.current?.close()}>
        Done
      </button>
    </dialog>
  );
}
