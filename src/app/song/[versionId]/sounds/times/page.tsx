import { TimesPage } from "@/rooms/sounds/times/TimesPage";

export default function Page() {
  return <TimesPage />;
}
