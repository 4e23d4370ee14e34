import type { Metadata } from "next";
import { TrustPage } from "@/rooms/join/TrustPage";

export const metadata: Metadata = { title: "Trust this machine" };

export default function Page() {
  return <TrustPage />;
}
