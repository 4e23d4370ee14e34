import { BoxPage } from "@/rooms/sounds/box/BoxPage";

export default function Page() {
  return <BoxPage />;
}
