import { BoxPage } from "@/rooms/loops/box/BoxPage";

export default function Page() {
  return <BoxPage />;
}
