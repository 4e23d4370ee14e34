import type { Metadata } from "next";
import { Bring } from "@/rooms/bring/Bring";

export const metadata: Metadata = { title: "Bring many files in" };

export default function Page() {
  return <Bring />;
}
