"use client";

import { Pin } from "lucide-react";
import { useMemo } from "react";
import { capital } from "@/base";
import {
  bankNumber,
  boardOf,
  compareCosts,
  describeSlot,
  describeToneCost,
  pinSlot,
  unpin,
} from "@/core/sounds";
import { useEngine } from "@/engines/window";
import { DragBoard, useDragged, useDropPlace } from "@/ui/DragBoard";
import { SearchNote } from "@/ui/SearchNote";
import { makeId, useAct, useCurrentVersion } from "../../open";
import type { ShownTones, Tones } from "../use-sounds";

type Place = { readonly bank: number; readonly slot: number };

const keyOf = ({ bank, slot }: Place): string => `${bank} ${slot}`;
const placeOf = (key: string): Place => {
  const [bank, slot] = key.split(" ").map(Number);
  return { bank: bank!, slot: slot! };
};
/** The plan's banks; a sound dragged to a slot is pinned there, and the rest is planned around it. */
export function BanksBoard({ tones }: { tones: Tones }) {
  const act = useAct();
  const current = useCurrentVersion();
  const { shown, song } = tones;
  const free = useFreePlan(tones);
  if (!shown) return null;
  const { banks } = shown.plan;
  const describeSpot = (place: Place) => describeSlot(place, song.box);
  const playerId = song.player.id;
  const soundAt = ({ bank, slot }: Place): string | null => banks[bank]?.slots[slot] ?? null;
  const put = (sound: string, to: Place, from: Place | null) =>
    act(pinSlot(current(), playerId, sound, to, makeId, from));
  const { maxBanks } = boardOf(song.box);
  const more = maxBanks === null || banks.length < maxBanks;
  const shownBanks = more ? [...banks, null] : banks;
  return (
    <section aria-labelledby="banks-title" className="mb-8">
      <h2 id="banks-title" className="mb-1">
        Banks
      </h2>
      <p className="mb-3 max-w-3xl text-sm">
        Drag a sound to the slot it should have, and it stays there: the rest is planned around it.
      </p>
      <DragBoard
        what="sound"
        place="slot"
        nameOf={(place) => soundAt(placeOf(place)) ?? "the sound"}
        placeOf={(place) => describeSpot(placeOf(place))}
        onDrop={(from, to) => {
          const sound = from === to ? null : soundAt(placeOf(from));
          if (sound !== null) put(sound, placeOf(to), placeOf(from));
        }}
      >
        <ol className="flex flex-col gap-2">
          {shownBanks.map((bank, at) => (
            <li key={at} className="flex flex-wrap items-stretch gap-2">
              <h3 className="w-28 self-center text-sm font-bold max-sm:w-full">
                {bank ? `Bank ${bankNumber(song.box, at)}` : "One more bank"}
                {bank && bank.landing !== null && (
                  <span className="block font-normal">opens on slot {bank.landing + 1}</span>
                )}
              </h3>
              <ol className="flex flex-1 flex-wrap gap-2">
                {Array.from({ length: song.box.slots }, (_, slot) => (
                  <Slot
                    key={slot}
                    place={{ bank: at, slot }}
                    shown={shown}
                    opens={bank?.landing === slot}
                    isPinned={song.pins.some((pin) => pin.bank === at && pin.slot === slot)}
                    names={[...new Set(song.asked?.sections.map(({ tone }) => tone) ?? [])]}
                    onPut={(sound) => put(sound, { bank: at, slot }, null)}
                    onUnpin={() => act(unpin(current(), playerId, { bank: at, slot }))}
                  />
                ))}
              </ol>
            </li>
          ))}
        </ol>
      </DragBoard>
      <p className="mt-3 text-sm" aria-live="polite">
        <strong>{capital(describeToneCost(shown.plan))}.</strong>{" "}
        {song.pins.length > 0 && free && (
          <>
            {compareCosts(free, shown.plan) >= 0
              ? "Your pins cost nothing: the plan could do no better by itself."
              : `Left to the plan it would be ${describeToneCost(free)}.`}{" "}
            <button type="button" className="link" onClick={() => act(unpin(current(), playerId))}>
              Take every pin out
            </button>
          </>
        )}
        {!shown.plan.exact &&
          ` This is the best plan found; none has less than ${describeToneCost(shown.plan.bound ?? shown.plan)}.`}
        <SearchNote search={tones.search} doing="Being worked out anew…" />
      </p>
    </section>
  );
}

/** The plan without any pins, to say what they cost. */
function useFreePlan({ song }: Tones) {
  const asked = useMemo(
    () => (song.asked && song.pins.length > 0 ? { ...song.asked, pins: [] } : null),
    [song.asked, song.pins.length],
  );
  return useEngine("tones", asked).data;
}

function Slot({
  place,
  shown,
  opens,
  isPinned,
  names,
  onPut,
  onUnpin,
}: {
  place: Place;
  shown: ShownTones;
  opens: boolean;
  isPinned: boolean;
  names: readonly string[];
  onPut: (sound: string) => void;
  onUnpin: () => void;
}) {
  const sound = shown.plan.banks[place.bank]?.slots[place.slot] ?? null;
  const said = describeSlot(place, shown.song.box);
  const { setNodeRef, isOver } = useDropPlace(keyOf(place));
  return (
    <li
      ref={setNodeRef}
      className={`min-h-20 w-44 rounded-box border-2 p-2 ${opens ? "border-base-content" : "border-dashed border-base-content/40"} ${isOver ? "bg-base-200" : ""}`}
    >
      <span className="flex items-center text-xs">
        slot {place.slot + 1}
        {isPinned && (
          <button
            type="button"
            className="link ml-auto flex items-center gap-1"
            aria-label={`Take the pin of ${sound} in ${said} out`}
            onClick={onUnpin}
          >
            <Pin size={12} aria-hidden="true" /> pinned
          </button>
        )}
      </span>
      {sound !== null && <SoundTag sound={sound} place={place} said={said} />}
      <label className="text-xs">
        <span className="sr-only">Pin a sound in {said}</span>
        <select
          className="select select-xs mt-1 w-full"
          value=""
          onChange={(event) => event.target.value !== "" && onPut(event.target.value)}
        >
          <option value="">{sound === null ? "free" : isPinned ? "stays here" : "as the plan has it"}</option>
          {names.map((name) => (
            <option key={name} value={name}>
              pin {name}
            </option>
          ))}
        </select>
      </label>
    </li>
  );
}

function SoundTag({ sound, place, said }: { sound: string; place: Place; said: string }) {
  const { setNodeRef, style, isDragging, handle } = useDragged(
    keyOf(place),
    `Drag ${sound} from ${said} to another slot`,
  );
  return (
    <span
      ref={setNodeRef}
      style={style}
      className={`flex items-center gap-1 rounded-field bg-base-200 px-1 py-1 ${isDragging ? "relative z-10 shadow-lg" : ""}`}
    >
      {handle}
      <span className="min-w-0 flex-1 truncate font-bold" title={sound}>
        {sound}
      </span>
    </span>
  );
}
