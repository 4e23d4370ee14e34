import type { Metadata } from "next";
import { JoinPage } from "@/rooms/join/JoinPage";

export const metadata: Metadata = { title: "Join" };

export default function Page() {
  return <JoinPage />;
}
