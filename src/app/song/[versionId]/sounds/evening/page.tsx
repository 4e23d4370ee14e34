import { EveningPage } from "@/rooms/sounds/evening/EveningPage";

export default function Page() {
  return <EveningPage />;
}
