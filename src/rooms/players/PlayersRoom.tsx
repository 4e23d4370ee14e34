"use client";

import Link from "next/link";

import { HIGHEST_CAPO, LEVELS } from "@/core/fretboard";
import { scaleMmOf } from "@/core/parts";
import {
  add,
  batch,
  freshName,
  orderAtEnd,
  removePlayer,
  set,
  type VersionCommand,
  type VersionStep,
} from "@/core/song/edit";
import { hasStrings, sheetCapo, usualTuning } from "@/core/song/read";
import {
  type BandBody,
  type BandPlayer,
  type Instrument,
  LIGHT_WORDS,
  PLAIN_HAND,
  type Player,
  ROLES,
  type Role,
} from "@/core/song/schema";
import { byOrder, type MakeId } from "@/document";
import { NumberField } from "@/ui/NumberField";
import { PitchField } from "@/ui/PitchField";
import { ROLE_WORDS } from "@/ui/pretty";
import { SelectField } from "@/ui/SelectField";
import { TextField } from "@/ui/TextField";
import { Tick } from "@/ui/Tick";
import { makeId, useAct, useBand, useCurrentVersion, useNames, useOpenSong, useRows } from "../open";
import { NamesChoice } from "./NamesChoice";
import { TuningField } from "./TuningField";
import { useSingerRange } from "./use-singer-range";

/** Starting points for a new player; all of it can be changed. */
const NEW_PLAYERS = [
  { label: "an acoustic guitar", name: "Acoustic", instrument: "guitar", role: "carry", light: 3 },
  { label: "an electric guitar", name: "Electric", instrument: "guitar", role: "support", light: 2 },
  { label: "a bass", name: "Bass", instrument: "bass", role: "bass", light: 2 },
  { label: "keys", name: "Keys", instrument: "keys", role: "support", light: 2 },
  { label: "drums or a box", name: "Box drum", instrument: "drums", role: "support", light: 2 },
  { label: "a voice", name: "Voice", instrument: "voice", role: "carry", light: 3 },
] as const satisfies readonly {
  label: string;
  name: string;
  instrument: Instrument;
  role: Role;
  light: number;
}[];

/** What people call the instruments. */
const INSTRUMENT_WORDS: Readonly<Record<Instrument, string>> = {
  guitar: "guitar",
  bass: "bass",
  keys: "keys",
  drums: "drums or box",
  voice: "voice",
};

/** A name nobody has yet, whatever its capitals. */
const nobodysName = (name: string, taken: readonly string[]): string =>
  freshName(name, taken, (one) => one.trim().toLowerCase());

const newPlayer = (template: (typeof NEW_PLAYERS)[number], order: string, id: MakeId): Player => ({
  id: id(),
  bandPlayerId: null,
  order,
  name: template.name,
  instrument: template.instrument,
  tuning: usualTuning(template.instrument),
  capo: 0,
  level: "steady",
  sings: template.instrument === "voice",
  range: null,
  light: template.light,
  role: template.role,
  ...PLAIN_HAND,
});

const LIGHT_OF_INSTRUMENT: Readonly<Record<Instrument, Pick<Player, "light" | "role">>> = {
  guitar: { light: 2, role: "support" },
  bass: { light: 2, role: "bass" },
  keys: { light: 2, role: "support" },
  drums: { light: 2, role: "support" },
  voice: { light: 3, role: "carry" },
};

/** How guitars that are no acoustic ones are named, in six languages. */
const ELECTRIC = /electri|eléctri|elétri|électri|elettri|elektr|e-?git|lead|solo/iu;

const isAcoustic = ({ instrument, name }: Pick<Player, "instrument" | "name">): boolean =>
  instrument === "guitar" && !ELECTRIC.test(name);

/** A copy of a player of the band, as this version uses them. */
const copyOf = ({ id: bandPlayerId, ...player }: BandPlayer, order: string, id: MakeId): Player => ({
  ...player,
  ...LIGHT_OF_INSTRUMENT[player.instrument],
  ...(player.sings ? { role: "carry" as const, light: 3 } : {}),
  id: id(),
  bandPlayerId,
  order,
});

/** What a band keeps for its players before there is a band. */
const NOTHING_KEPT: Pick<BandBody, "soundBoxes" | "bookShapes"> = { soundBoxes: {}, bookShapes: {} };

/** Takes players of the band into the version one after another, each with copies of the box and the shapes the band keeps. */
function addFromBand(
  many: readonly BandPlayer[],
  kept: Pick<BandBody, "soundBoxes" | "bookShapes">,
  players: readonly Player[],
  capo: number,
): VersionCommand {
  const all = [...players];
  const steps = many.flatMap((one) => {
    // The capo the sheet names goes to the first acoustic guitar there is.
    const own = isAcoustic(one) && !all.some(isAcoustic) ? capo : 0;
    const names = all.map(({ name }) => name);
    const added = stepsFromBand(one, kept, orderAtEnd(all), own, nobodysName(one.name, names));
    all.push(added.row);
    return added.steps;
  });
  return batch(many.length === 1 ? "Add a player" : "Add the whole band", steps);
}

function stepsFromBand(
  one: BandPlayer,
  { soundBoxes, bookShapes }: Pick<BandBody, "soundBoxes" | "bookShapes">,
  order: string,
  capo: number,
  name: string,
): { readonly row: Player; readonly steps: readonly VersionStep[] } {
  const copied = copyOf(one, order, makeId);
  const row = { ...copied, name, capo: capo || copied.capo };
  const box = Object.values(soundBoxes).find(({ playerId }) => playerId === one.id);
  const kept = Object.values(bookShapes).filter(({ playerId }) => playerId === one.id);
  return {
    row,
    steps: [
      add("players", row),
      ...(box ? [add("soundBoxes", { ...box, id: makeId(), playerId: row.id })] : []),
      ...kept.map((shape) => add("bookShapes", { ...shape, id: makeId(), playerId: row.id })),
    ],
  };
}

/** The Players room: who plays this version, on what, tuned how, with which capo. */
export function PlayersRoom({ band }: { band: readonly BandPlayer[] }) {
  const tables = useRows("players", "version", "extras");
  const { players: rows } = tables;
  const current = useCurrentVersion();
  const { version } = useOpenSong();
  const act = useAct();
  const { soundBoxes, bookShapes } = useBand() ?? NOTHING_KEPT;
  const players = Object.values(rows).sort(byOrder);
  const names = players.map((one) => one.name);
  /** The capo the sheet names goes to the first acoustic guitar there is. */
  const capoFor = (one: Pick<Player, "instrument" | "name">): number =>
    isAcoustic(one) && !players.some(isAcoustic) ? sheetCapo(tables) : 0;
  const take = (many: readonly BandPlayer[]) =>
    act(addFromBand(many, { soundBoxes, bookShapes }, players, sheetCapo(tables)));
  const absent = band.filter((one) => !players.some((player) => player.bandPlayerId === one.id));
  return (
    <>
      <h1 className="mb-1">Players</h1>
      <p className="mb-4 max-w-2xl">
        Who plays this version. Strings are written from the one nearest the player’s face.
      </p>
      {players.length === 0 && (
        <p className="mb-3 rounded-box bg-base-200 p-4">
          Nobody plays yet. Add the first player below; a song needs one to have parts.
        </p>
      )}
      <ol className="flex flex-col gap-4">
        {players.map((player) => (
          <PlayerRow
            key={player.id}
            player={player}
            onRemove={() => act(removePlayer(current(), player.id))}
          />
        ))}
      </ol>
      <p className="mt-4 flex flex-wrap gap-2">
        {absent.length > 1 && (
          <button type="button" className="btn btn-primary" onClick={() => take(absent)}>
            Add {absent.length === band.length ? "the whole band" : "all others of the band"}
          </button>
        )}
        {absent.map((one) => (
          <button key={one.id} type="button" className="btn" onClick={() => take([one])}>
            Add {one.name} from the band
          </button>
        ))}
        {NEW_PLAYERS.map((template) => (
          <button
            key={template.label}
            type="button"
            className="btn"
            onClick={() =>
              act(
                add("players", {
                  ...newPlayer(template, orderAtEnd(players), makeId),
                  name: nobodysName(template.name, names),
                  capo: capoFor(template),
                }),
              )
            }
          >
            Add {template.label}
          </button>
        ))}
      </p>
      <p className="mt-4">
        <Link className="link font-bold" href={`/print/${version.id}/cold`}>
          Somebody joins who does not know the song
        </Link>
        : one chord or two, when they come back, and notes that fit, on paper or on their phone.
      </p>
      <p className="mt-6 max-w-2xl text-sm">
        A string tuned more than a whole tone above its usual pitch may break: protect your eyes, and turn
        slowly.
      </p>
    </>
  );
}

function PlayerRow({ player, onRemove }: { player: Player; onRemove: () => void }) {
  const act = useAct();
  const change = (fields: Partial<Player>) => act(set("players", player.id, fields));
  return (
    <li className="flex flex-wrap items-end gap-4 rounded-box bg-base-200 p-4">
      <TextField
        label="Name"
        value={player.name}
        required
        longest={60}
        className="w-40"
        onSet={(name) => change({ name })}
      />
      <span className="flex flex-col gap-1 text-sm">
        Plays
        <strong className="flex h-8 items-center text-base">{INSTRUMENT_WORDS[player.instrument]}</strong>
      </span>
      {hasStrings(player) && <TuningField player={player} onSet={(tuning) => change({ tuning })} />}
      {player.instrument === "guitar" && (
        <NumberField
          label="Capo"
          unit="fret"
          value={player.capo}
          least={0}
          most={HIGHEST_CAPO}
          onSet={(capo) => change({ capo })}
        />
      )}
      <Usually player={player} change={change} />
      <Tick label="sings" on={player.sings} onSet={(sings) => change({ sings })} />
      <NamesChoice player={player} />
      {hasStrings(player) && <AtTheNeck player={player} change={change} />}
      {player.sings && <RangeFields player={player} />}
      <button type="button" className="btn btn-sm ml-auto" onClick={onRemove}>
        Remove {player.name}
      </button>
    </li>
  );
}

type FieldsProps = { readonly player: Player; readonly change: (fields: Partial<Player>) => void };

/** How good the hand is, and what the player does where nothing else is said. */
function Usually({ player, change }: FieldsProps) {
  return (
    <>
      <SelectField
        label="Hand"
        className="w-28"
        value={player.level}
        options={LEVELS.map((level) => ({ value: level, label: level }))}
        onSet={(level) => change({ level })}
      />
      <SelectField
        label="Usual role"
        className="w-36"
        value={player.role}
        options={ROLES.map((role) => ({ value: role, label: ROLE_WORDS[role] }))}
        onSet={(role) => change({ role })}
      />
      <SelectField
        label="Usual light"
        className="w-28"
        value={String(player.light)}
        options={LIGHT_WORDS.map((word, light) => ({ value: String(light), label: `${light} ${word}` }))}
        onSet={(light) => change({ light: Number(light) })}
      />
    </>
  );
}

function AtTheNeck({ player, change }: FieldsProps) {
  return (
    <>
      <Tick label="left-handed" on={player.leftHanded} onSet={(leftHanded) => change({ leftHanded })} />
      <Tick label="thumb frets bass notes" on={player.thumb} onSet={(thumb) => change({ thumb })} />
      <Tick label="has a looper" on={player.loops} onSet={(loops) => change({ loops })} />
      <NumberField
        label="Scale length"
        unit="mm"
        value={scaleMmOf(player)}
        least={200}
        most={1200}
        whole={false}
        onSet={(scaleMm) => change({ scaleMm })}
      />
    </>
  );
}

/** The lowest and highest note a singer reaches; the Keys room can find them by the microphone. */
function RangeFields({ player }: { player: Player }) {
  const { low, high, problem, put } = useSingerRange(player);
  const namer = useNames()();
  return (
    <>
      <PitchField namer={namer} label="Sings from" value={low} onSet={(midi) => put({ low: midi })} />
      <PitchField namer={namer} label="up to" value={high} onSet={(midi) => put({ high: midi })} />
      {problem && (
        <p role="alert" className="max-w-72 text-sm text-error">
          {problem}
        </p>
      )}
    </>
  );
}
