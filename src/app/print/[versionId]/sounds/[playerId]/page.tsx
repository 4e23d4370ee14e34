import type { Metadata } from "next";
import { notFound } from "next/navigation";
import { connection } from "next/server";
import {
  bankNumber,
  describeAct,
  describeSound,
  describeToneCost,
  playerTones,
  programOf,
} from "@/core/sounds";
import { headOf } from "@/document";
import { TonePrint } from "@/rooms/sounds/banks/TonePrint";
import { openSong } from "@/server/songs/open-song";

export const metadata: Metadata = { title: "Press sheet" };

/** Search steps the server spends on one plan: about a second. */
const BUDGET = 20_000;

export default async function Page({ params }: { params: Promise<{ versionId: string; playerId: string }> }) {
  await connection();
  const { versionId, playerId } = await params;
  const opened = await openSong(versionId);
  const tones = opened && playerTones(opened.version.body, playerId, BUDGET);
  if (!tones) notFound();
  const { song, plan, presses } = tones;
  const { title } = headOf(opened.song.body, "song");
  const isBanks = song.box.kind === "banks";
  const sheet = {
    figures: plan && isBanks ? describeToneCost(plan) : `${presses.length} presses`,
    banks: isBanks
      ? (plan?.banks ?? []).map((bank, at) => ({
          number: bankNumber(song.box, at),
          landing: bank.landing,
          slots: bank.slots.map((sound, slot) => ({
            sound,
            program: programOf(song.box, at, slot).program,
          })),
        }))
      : [],
    soundUses: song.soundUses.map((soundUse) => ({
      id: soundUse.span.use.id,
      label: soundUse.span.label,
      kind: soundUse.span.passages[0]!.section.kind,
      sound: soundUse.sound,
      presses: presses
        .filter(({ into }) => into.span.use.id === soundUse.span.use.id)
        .map((press) => ({
          text: describeAct(press.act, song.box),
          moment: press.moment,
          opens: press.window?.opens ?? null,
        })),
    })),
    sounds: song.sounds.map(({ name, note }) => ({
      name,
      note,
      told: describeSound(song.settings.get(name)!),
    })),
  };
  return (
    <TonePrint
      title={`${title}: ${song.player.name}’s sounds`}
      back={`/song/${versionId}/sounds/banks`}
      sheet={sheet}
    />
  );
}
