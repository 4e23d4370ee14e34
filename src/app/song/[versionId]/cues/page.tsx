import { CuesRoom } from "@/rooms/cues/CuesRoom";

export default function Page() {
  return <CuesRoom />;
}
