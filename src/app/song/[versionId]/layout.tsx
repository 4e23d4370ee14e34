import type { Metadata } from "next";
import { notFound } from "next/navigation";
import { connection } from "next/server";
import type { ReactNode } from "react";
import type { SongBody } from "@/core/song";
import { House } from "@/rooms/house/House";
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
  return (
    <House key={version.id} version={version} song={song}>
      {children}
    </House>
  );
}
