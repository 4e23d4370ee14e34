import { LogPage } from "@/rooms/rehearse";

export default function Page() {
  return <LogPage />;
}
