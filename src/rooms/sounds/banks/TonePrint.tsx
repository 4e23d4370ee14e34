"use client";

import Link from "next/link";
import { type Moment, tellBar, tellMoment } from "@/core/song/moments";
import type { SectionKind } from "@/core/song/schema";
import { SectionTag } from "@/ui/SectionTag";

export type ToneSheet = {
  readonly figures: string;
  readonly banks: readonly {
    readonly number: number;
    readonly landing: number | null;
    readonly slots: readonly { readonly sound: string | null; readonly program: number }[];
  }[];
  readonly soundUses: readonly {
    readonly id: string;
    readonly label: string;
    readonly kind: SectionKind;
    readonly sound: string | null;
    readonly presses: readonly {
      readonly text: string;
      readonly moment: Moment;
      /** From when on it may be done, where it need not be done at once. */
      readonly opens: Moment | null;
    }[];
  }[];
  readonly sounds: readonly { readonly name: string; readonly told: string; readonly note: string }[];
};

/** The press sheet in large print, for the floor: banks, presses with their words, and every sound. */
export function TonePrint({ title, back, sheet }: { title: string; back: string; sheet: ToneSheet }) {
  return (
    <main className="mx-auto max-w-4xl bg-white px-6 py-4 text-black">
      <header className="no-print mb-4 flex flex-wrap items-center gap-3 border-b pb-3">
        <Link className="link mr-auto" href={back}>
          Back to the song
        </Link>
        <button type="button" className="btn btn-primary btn-sm" onClick={() => window.print()}>
          Print
        </button>
      </header>
      <h1 className="mb-1 text-4xl">{title}</h1>
      <p className="mb-3 text-xl">{sheet.figures}</p>
      {sheet.banks.length > 0 && (
        <table className="table mb-4 w-auto text-lg">
          <tbody>
            {sheet.banks.map((bank, at) => (
              <tr key={at}>
                <th scope="row">Bank {bank.number}</th>
                {bank.slots.map(({ sound, program }, slot) => (
                  <td key={slot} className={bank.landing === slot ? "border-2 border-black" : ""}>
                    <strong>{slot + 1}</strong> {sound ?? "free"}
                    <span className="block text-sm">program {program}</span>
                  </td>
                ))}
              </tr>
            ))}
          </tbody>
        </table>
      )}
      <ol className="flex flex-col gap-2">
        {sheet.soundUses.map(({ id, label, kind, sound, presses }) => (
          <li key={id} className="flex flex-wrap items-baseline gap-x-4 border-t pt-2">
            <SectionTag label={label} kind={kind} />
            <span className="text-xl">{sound ?? "no sound"}</span>
            {presses.map((press, at) => (
              <span key={at} className="w-full pl-6 text-2xl">
                <strong>{press.text}</strong>{" "}
                <span className="text-xl">
                  {press.opens && `from ${tellBar(press.opens)} on, best at `}
                  {tellMoment(press.moment)}
                </span>
              </span>
            ))}
          </li>
        ))}
      </ol>
      <h2 className="mt-5 mb-1 text-2xl">Sounds</h2>
      <ul className="text-lg">
        {sheet.sounds.map(({ name, told, note }) => (
          <li key={name}>
            <strong>{name}</strong>: {told}
            {note !== "" && ` (${note})`}
          </li>
        ))}
      </ul>
    </main>
  );
}
