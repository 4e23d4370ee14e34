import type { Metadata } from "next";
import { notFound } from "next/navigation";
import { connection } from "next/server";
import type { ReactNode } from "react";
import type { Body, SongBody } from "@/core/song";
import { House } from "@/rooms/house/House";
import { openDatabase } from "@/server/db/open";
import { findBand } from "@/server/songs/create";
import { openSong } from "@/server/songs/open";

type Props = { params: Promise<{ versionId: string }> };

export async function generateMetadata({ params }: Props): Promise<Metadata> {
  await connection();
  const opened = await openSong((await params).versionId);
  return { title: opened ? Object.values((opened.song.body as SongBody).song)[0]!.title : "No such song" };
}

export default async function SongLayout({ params, children }: Props & { children: ReactNode }) {
  await connection();
  const opened = await openSong((await params).versionId);
  if (!opened) notFound();
  const { version, song } = opened;
  const found = await findBand(await openDatabase());
  const band = found && { ...found, kind: "band" as const, body: found.body as Body };
  return (
    <House key={version.id} version={version} song={song} band={band}>
      {children}
    </House>
  );
}
