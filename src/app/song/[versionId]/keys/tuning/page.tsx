import { TuningPage } from "@/rooms/keys/TuningPage";

export default function Page() {
  return <TuningPage />;
}
