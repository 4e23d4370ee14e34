import { PlayPage } from "@/rooms/loops/play/LoopPlayPage";

export default function Page() {
  return <PlayPage />;
}
