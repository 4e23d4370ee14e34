import { BoxPage } from "@/rooms/loops/box/LoopBoxPage";

export default function Page() {
  return <BoxPage />;
}
