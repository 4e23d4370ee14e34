"use client";

import type { ReactNode } from "react";
import { type ChosenShape, hasShape, keyInBook, placeInBook, shapeIdentity } from "@/core/parts";
import type { Namer } from "@/core/song/names";
import type { BookShape, Player } from "@/core/song/schema";
import { ChordDiagram, writeFrets } from "@/ui/ChordDiagram";
import { STYLE_WORDS } from "@/ui/voicing-words";
import { derive, type ShapeBook, useDerived, useNames, useShapeBook } from "../open";
import { PlayerChoice, PlayerPage, type PlayerPageProps } from "./PlayerChoice";

/** A shape a player of the band has chosen in several songs. */
type Often = { readonly bandPlayerId: string; readonly shape: ChosenShape; readonly songs: number };

/** The shapes one player prefers, in every song: kept, offered from habit, and those of the band this song has not yet. */
export function ShapeBookPage({ often }: { often: readonly Often[] }) {
  return <PlayerPage>{(props) => <Book {...props} often={often} />}</PlayerPage>;
}

function Book({ players, player, onPlayer, often }: PlayerPageProps & { often: readonly Often[] }) {
  const book = useShapeBook(player.id);
  const namer = useNames()({ player, capo: player.capo });
  const all = [...book.own, ...book.beside];
  const habits = often.filter((one) => one.bandPlayerId === player.bandPlayerId && !hasShape(all, one.shape));
  return (
    <>
      <div className="mb-4">
        <PlayerChoice players={players} player={player} onSet={onPlayer} />
      </div>
      <p className="mb-4 max-w-3xl">
        What {player.name} likes to hold, for every song. A shape of the book is offered first, and the plan
        holds it wherever its chord comes, behind whatever capo, unless another is chosen there.
      </p>
      {book.isOfBand ? (
        <>
          <Kept book={book} player={player} namer={namer} />
          <Habits habits={habits} book={book} player={player} namer={namer} />
          <Beside book={book} player={player} namer={namer} />
        </>
      ) : (
        <p className="rounded-box bg-base-200 p-4">
          {player.name} is not of the band, and a book is kept for players of the band only. Add the band’s
          player under Players, or choose shapes for this song alone.
        </p>
      )}
    </>
  );
}

type ListProps = { readonly book: ShapeBook; readonly player: Player; readonly namer: Namer };

/** How often the hand holds a chord of the book in this song. */
function useTimesPlayed(player: Player): (shape: ChosenShape) => number {
  const request = useDerived((body) => derive.planOf(body, player));
  return (shape) =>
    request.runs
      .flatMap(({ events }) => events)
      .filter(({ book }) => book.some(({ frets }) => frets.join() === shape.frets.join())).length;
}

function Kept({ book, player, namer }: ListProps) {
  const timesOf = useTimesPlayed(player);
  if (book.own.length === 0)
    return (
      <p className="rounded-box bg-base-200 p-4">
        Nothing is kept yet. Open a chord under “Shapes to learn” or in a part, and choose a shape “in every
        song”.
      </p>
    );
  return (
    <Shapes title={`${player.name} keeps ${book.own.length} ${book.own.length === 1 ? "shape" : "shapes"}`}>
      {book.own.map((row) => {
        const times = timesOf(row);
        const name = namer.inCustom(row.symbol);
        return (
          <ShapeCard key={row.id} shape={row} player={player} namer={namer}>
            <span className="block text-sm">
              {times === 0
                ? "not in this song"
                : times === 1
                  ? "once in this song"
                  : `${times} times in this song`}
            </span>
            <button
              type="button"
              className="btn btn-sm mt-1"
              aria-label={`Take ${writeFrets(row.frets)} for ${name} out of the book`}
              onClick={() => book.letGo(row)}
            >
              Take out
            </button>
          </ShapeCard>
        );
      })}
    </Shapes>
  );
}

function Habits({ habits, book, player, namer }: ListProps & { readonly habits: readonly Often[] }) {
  if (habits.length === 0) return null;
  return (
    <Shapes title="Chosen again and again">
      {habits.map(({ shape, songs }) => {
        const [name, frets] = [namer.inCustom(shape.symbol), writeFrets(shape.frets)];
        return (
          <ShapeCard key={keyInBook(shape)} shape={shape} player={player} namer={namer}>
            <span className="block text-sm">
              chosen for {name} in {songs} songs
            </span>
            <button
              type="button"
              className="btn btn-sm mt-1"
              aria-label={`Keep ${frets} for ${name}`}
              onClick={() => book.keepRow(shape)}
            >
              Keep it
            </button>
          </ShapeCard>
        );
      })}
    </Shapes>
  );
}

function Beside({ book, player, namer }: ListProps) {
  if (book.beside.length === 0) return null;
  const places = new Set(book.own.map(placeInBook));
  return (
    <Shapes title="In the band’s book, not in this song">
      {book.beside.map((row: BookShape) => {
        const [name, frets] = [namer.inCustom(row.symbol), writeFrets(row.frets)];
        return (
          <ShapeCard key={row.id} shape={row} player={player} namer={namer}>
            {places.has(placeInBook(row)) && (
              <span className="block text-sm">this song keeps another for {name}</span>
            )}
            <button
              type="button"
              className="btn btn-sm mt-1"
              aria-label={`Take ${frets} for ${name} into this song`}
              onClick={() => book.take(row)}
            >
              Take into this song
            </button>
          </ShapeCard>
        );
      })}
    </Shapes>
  );
}

function Shapes({ title, children }: { title: string; children: ReactNode }) {
  return (
    <section aria-label={title} className="mb-6">
      <h2 className="mb-2">{title}</h2>
      <ul className="grid grid-cols-2 gap-3 sm:grid-cols-3 lg:grid-cols-[repeat(auto-fill,minmax(11rem,1fr))]">
        {children}
      </ul>
    </section>
  );
}

/** A shape with its name, how it is voiced where that is not a full chord, and what can be done with it. */
function ShapeCard({
  shape,
  player,
  namer,
  children,
}: {
  shape: ChosenShape;
  player: Player;
  namer: Namer;
  children: ReactNode;
}) {
  const name = shapeIdentity(shape.symbol) === null ? shape.symbol : namer.inCustom(shape.symbol);
  return (
    <li className="rounded-field bg-base-200 p-2 text-center">
      <span className="block font-mono text-lg font-bold">{name}</span>
      <span className="block font-mono text-sm">{writeFrets(shape.frets)}</span>
      <ChordDiagram shape={shape} name={name} leftHanded={player.leftHanded} className="mx-auto h-28" />
      {shape.style !== "full" && <span className="block text-sm">{STYLE_WORDS[shape.style]}</span>}
      {children}
    </li>
  );
}
