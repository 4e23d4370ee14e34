import { PatternsPage } from "@/rooms/parts/patterns/PatternsPage";

export default function Page() {
  return <PatternsPage />;
}
