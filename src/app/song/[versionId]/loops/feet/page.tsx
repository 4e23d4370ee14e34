import { FeetPage } from "@/rooms/loops/feet/FeetPage";

export default function Page() {
  return <FeetPage />;
}
