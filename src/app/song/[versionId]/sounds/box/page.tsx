import { BoxPage } from "@/rooms/sounds/box/SoundBoxPage";

export default function Page() {
  return <BoxPage />;
}
