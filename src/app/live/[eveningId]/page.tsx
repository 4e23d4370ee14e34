import type { Metadata } from "next";
import { LiveStage } from "@/rooms/stage/live/LiveStage";

export const metadata: Metadata = { title: "On stage" };

/** The same page for everybody and every time: what it shows comes over the line, or from what the device has kept. */
export default async function Page({ params }: { params: Promise<{ eveningId: string }> }) {
  return <LiveStage eveningId={(await params).eveningId} />;
}
