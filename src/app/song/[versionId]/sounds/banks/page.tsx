import { BanksPage } from "@/rooms/sounds/banks/BanksPage";

export default function Page() {
  return <BanksPage />;
}
