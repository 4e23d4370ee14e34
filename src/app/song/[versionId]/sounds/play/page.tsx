import { PlayPage } from "@/rooms/sounds/play/PlayPage";

export default function Page() {
  return <PlayPage />;
}
