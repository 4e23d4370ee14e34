import { LinesPage } from "@/rooms/parts/lines/LinesPage";

export default function Page() {
  return <LinesPage />;
}
