import { SplitPage } from "@/rooms/parts/split/SplitPage";

export default function Page() {
  return <SplitPage />;
}
