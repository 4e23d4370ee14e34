import type { Metadata } from "next";
import { connection } from "next/server";
import type { ReactNode } from "react";
import { missing } from "@/app/missing";
import { headOf } from "@/document";
import { House } from "@/rooms/house/House";
import { openDatabase } from "@/server/db/open-database";
import { findBand } from "@/server/songs/create";
import { openSong } from "@/server/songs/open-song";

type Props = { params: Promise<{ versionId: string }> };

export async function generateMetadata({ params }: Props): Promise<Metadata> {
  await connection();
  const opened = await openSong((await params).versionId);
  return { title: opened ? headOf(opened.song.body, "song").title : "No such song" };
}

export default async function SongLayout({ params, children }: Props & { children: ReactNode }) {
  await connection();
  const opened = await openSong((await params).versionId);
  if (!opened) return missing((await params).versionId);
  const { version, song } = opened;
  const found = await findBand(await openDatabase());
  const band = found && { ...found, kind: "band" as const, body: found.body };
  return (
    <House key={version.id} version={version} song={song} band={band}>
      {children}
    </House>
  );
}
