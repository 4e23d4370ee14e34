import { PlayPage } from "@/rooms/sounds/play/SoundPlayPage";

export default function Page() {
  return <PlayPage />;
}
