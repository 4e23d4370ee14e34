import { PlayPage } from "@/rooms/loops/play/PlayPage";

export default function Page() {
  return <PlayPage />;
}
