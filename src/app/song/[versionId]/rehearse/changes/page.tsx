import { ChangesPage } from "@/rooms/rehearse";

export default function Page() {
  return <ChangesPage />;
}
