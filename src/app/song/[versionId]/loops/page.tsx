import { RopesPage } from "@/rooms/loops/ropes/RopesPage";

export default function Page() {
  return <RopesPage />;
}
