import { FitPage } from "@/rooms/rehearse";

export default function Page() {
  return <FitPage />;
}
