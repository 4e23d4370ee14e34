"use client";

import Link from "next/link";
import {
  type BuildSheet,
  describePress,
  type FootPress,
  looperOfBox,
  maskOf,
  pressesBetween,
} from "@/core/loops";
import { tellBars, tellMoment } from "@/core/song/moments";
import type { LoopBox, SectionKind } from "@/core/song/schema";
import { BuildSection } from "@/ui/BuildSection";
import { SectionTag } from "@/ui/SectionTag";
import { pedalsNamed } from "../pedal-of";

export type FootSheet = {
  readonly presses: readonly FootPress[];
  /** Names of layers by track. */
  readonly tracks: readonly (readonly string[])[];
  readonly build: BuildSheet | null;
  readonly pieces: readonly {
    readonly id: string;
    readonly label: string;
    readonly bar: number;
    readonly kind: SectionKind;
    readonly sounding: readonly number[];
  }[];
};

/** The foot sheet in large print, for the floor: presses with their words, and the way back for each place. */
export function FootPrint({
  title,
  versionId,
  box,
  sheet,
}: {
  title: string;
  versionId: string;
  box: LoopBox;
  sheet: FootSheet | null;
}) {
  return (
    <main className="mx-auto max-w-4xl bg-white px-6 py-4 text-black">
      <header className="no-print mb-4 flex flex-wrap items-center gap-3 border-b pb-3">
        <Link className="link mr-auto" href={`/song/${versionId}/loops/feet`}>
          Back to the song
        </Link>
        <button type="button" className="btn btn-primary btn-sm" onClick={() => window.print()}>
          Print
        </button>
      </header>
      <h1 className="mb-2 text-4xl">{title}: feet</h1>
      {sheet === null ? (
        <p className="text-xl">
          There is no plan for the looper yet: add layers and say where they are wanted, in the Loops room.
        </p>
      ) : (
        <Sheet box={box} sheet={sheet} />
      )}
    </main>
  );
}

function Sheet({ box, sheet }: { box: LoopBox; sheet: FootSheet }) {
  const recorded = maskOf(sheet.tracks.flatMap((names, track) => (names.length > 0 ? [track] : [])));
  return (
    <>
      <p className="text-xl">
        {sheet.tracks.map((names, track) =>
          names.length === 0 ? null : (
            <span key={track} className="mr-6">
              <strong>{track + 1}</strong> {names.join(", ")}
            </span>
          ),
        )}
      </p>
      {sheet.build && (
        <BuildSection build={sheet.build} className="my-3 border-t-2 border-black pt-2 text-xl" />
      )}
      <ol className="flex flex-col gap-2">
        {sheet.pieces.map((piece) => {
          const own = sheet.presses.filter(({ before }) => before === piece.id);
          const back = pressesBetween(0, maskOf(piece.sounding), recorded, looperOfBox(box));
          return (
            <li
              key={piece.id}
              className="grid break-inside-avoid grid-cols-[11rem_1fr] gap-3 border-t-2 border-black pt-2"
            >
              <span className="text-lg">
                <SectionTag label={piece.label} kind={piece.kind} />
                {piece.bar > 1 && ` from ${tellBars(String(piece.bar), piece.label)}`}
              </span>
              <span>
                {own.length === 0 ? (
                  <span className="text-2xl">no press</span>
                ) : (
                  own.map((press, at) => (
                    <span key={at} className="block text-3xl leading-tight font-bold">
                      {describePress(press)}
                      <span className="ml-3 text-xl font-normal">
                        {pedalsNamed(box, press)} {tellMoment(press.moment)}
                        {press.late && "; then, late"}
                      </span>
                    </span>
                  ))
                )}
                <span className="block text-base">
                  Sounds:{" "}
                  {piece.sounding.length === 0
                    ? "nothing"
                    : piece.sounding.map((track) => track + 1).join(" ")}
                  . Lost? {box.allStop ? "All out" : "Everything out"}
                  {back.length > 0 && `, then ${back.map(describePress).join(", ")}`}.
                </span>
              </span>
            </li>
          );
        })}
        <li className="grid grid-cols-[11rem_1fr] gap-3 border-t-2 border-black pt-2 text-2xl">
          <span>The end</span>
          <strong>
            {sheet.presses
              .filter(({ before }) => before === null)
              .map((press) => `${describePress(press)} at the end of ${press.moment.label}`)
              .join(", ") || "no press"}
          </strong>
        </li>
      </ol>
    </>
  );
}
