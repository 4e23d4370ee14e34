import { LadderPage } from "@/rooms/rehearse";

export default function Page() {
  return <LadderPage />;
}
